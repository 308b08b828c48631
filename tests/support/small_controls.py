"""What can be chosen on a phone and is smaller than WCAG 2.2 has it (2.5.8), for tests and benchmarks."""

VIEWS = (
    "style", "style#words", "style#colours", "style#frame", "style#contact", "style#organisation", "style#clock",
    "style#added", "style#address", "proofs", "pages", "pages/titles", "pictures", "consistency", "mail", "editions",
    "to-say", "whole-site", "review",
)  # fmt: skip
# Everything that can be chosen and is seen, with its size; a box counts with the words that choose it, too.
SMALL = """() => [...document.querySelectorAll("a[href], button, input, select, textarea, summary, [role=button]")]
  .filter((one) => one.checkVisibility({ checkVisibilityCSS: true }) && !one.closest(".unseen"))
  .map((one) => {
    const label = /^(checkbox|radio)$/.test(one.type) ? one.labels?.[0] : null;
    const [own, said] = [one.getBoundingClientRect(), label?.getBoundingClientRect()];
    const wide = Math.max(own.width, said?.width ?? 0), high = Math.max(own.height, said?.height ?? 0);
    return [wide, high, (one.ariaLabel || one.textContent || one.type).trim().slice(0, 40)];
  })
  .filter(([wide, high]) => wide > 1 && (wide < 24 || high < 24))"""
