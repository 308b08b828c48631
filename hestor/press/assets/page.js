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

  const marks = { tabindex: "0", role: "group", "aria-labelledby": "scrolls" };
  const mark = ([box, wide]) => {
    for (const [name, value] of Object.entries(marks)) wide ? box.setAttribute(name, value) : box.removeAttribute(name);
  };
  const boxes = [...document.querySelectorAll(".scroll, .prose pre")];
  // All are measured before any is marked, so that the page is laid out once.
  const observer = new ResizeObserver((entries) =>
    entries.map(({ target }) => [target, target.scrollWidth > target.clientWidth]).forEach(mark),
  );
  for (const box of boxes) observer.observe(box);
})();
