"""The accounts of the demo. Their password is public, so they exist only where the demo was loaded."""

from hestor.core.roles import Role

PASSWORD = "demo-seedling-42"  # noqa: S105
ACCOUNTS = {
    "owner@quillmere.example": Role.OWNER,
    "helper@quillmere.example": Role.EDITOR,
    "guest@quillmere.example": Role.VIEWER,
}
NAMES = {
    "owner@quillmere.example": "Edith Marlow",
    "helper@quillmere.example": "Jon Tarrant",
    "guest@quillmere.example": "Priya Nand",
}
