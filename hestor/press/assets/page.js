// What pages do better with a script, and do without one as well: menus close, what is too wide scrolls by keyboard.
(() => {
  const menus = [...document.querySelectorAll("header nav details")];
  const closeOthers = (kept) => {
    for (const menu of menus) if (!menu.contains(kept)) menu.open = false;
  };
  for (const happens of ["pointerdown", "focusin"])
    document.addEventListener(happens, (event) => closeOthers(event.target));
  document.addEventListener("keydown", (event) => {
    const open = menus.filter((menu) => menu.open);
    if (event.key !== "Escape" || !open.length) return;
    const within = open.filter((menu) => menu.contains(document.activeElement)).pop();
    if (within) {
      within.open = false;
      within.querySelector("summary").focus();
    } else closeOthers(null);
  });

  const mark = (box) => {
    if (box.scrollWidth > box.clientWidth) {
      box.tabIndex = 0;
      box.setAttribute("role", "region");
      box.setAttribute("aria-labelledby", "scrolls");
    } else for (const name of ["tabindex", "role", "aria-labelledby"]) box.removeAttribute(name);
  };
  const boxes = [...document.querySelectorAll(".scroll, .prose pre")];
  const observer = new ResizeObserver((entries) => entries.forEach((entry) => mark(entry.target)));
  for (const box of boxes) observer.observe(box);
})();
