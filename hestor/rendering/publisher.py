"""Who publishes a site, in the words of schema.org."""

from typing import Any

from hestor.rendering.brand_files import BrandFiles

# Search engines want a publisher's logo to have at least so many pixels a side.
_LEAST_LOGO = 112
_ICON_SIDE = 512


def logo(brand: BrandFiles, origin: str) -> dict[str, Any]:
    """The sharpest file of the logo where it is large enough, else the icon."""
    if brand.logo and min(brand.logo.largest_size) >= _LEAST_LOGO:
        width, height = brand.logo.largest_size
        return {"@type": "ImageObject", "url": origin + brand.logo.large, "width": width, "height": height}
    icon = f"{origin}{brand.icon_folder}icon-{_ICON_SIDE}.png"
    return {"@type": "ImageObject", "url": icon, "width": _ICON_SIDE, "height": _ICON_SIDE}


def organisation(name: str, origin: str) -> dict[str, Any]:
    """The organisation itself."""
    return {"@type": "Organization", "name": name, "url": f"{origin}/"}
