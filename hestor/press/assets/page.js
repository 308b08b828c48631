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

  // A visitor whose clock says otherwise than the site's is told the time on their own, beside the site's.
  const template = document.getElementById("yours")?.textContent;
  const ahead = (iso) => {
    const [, sign, hours, minutes] = /([+-])(\d\d):(\d\d)$/.exec(iso) ?? [];
    return sign ? (sign === "-" ? -1 : 1) * (60 * hours + +minutes) : 0;
  };
  const said = (time) => {
    const iso = time.getAttribute("datetime");
    const at = new Date(iso);
    if (isNaN(at) || -at.getTimezoneOffset() === ahead(iso)) return null;
    const sameDay = iso.slice(8, 10) === String(at.getDate()).padStart(2, "0");
    const form = { timeStyle: "short", ...(sameDay ? {} : { dateStyle: "medium" }) };
    return new Intl.DateTimeFormat(document.documentElement.lang, form).format(at);
  };
  // From and to stand in one line, and are told as one.
  const lines = new Map();
  for (const time of template ? document.querySelectorAll("p > time[data-moment]") : [])
    lines.set(time.parentElement, [...(lines.get(time.parentElement) ?? []), time]);
  for (const times of lines.values()) {
    const texts = times.map(said);
    if (texts.includes(null)) continue;
    const yours = document.createElement("span");
    yours.className = "yours";
    yours.textContent = ` (${template.replace("{time}", texts.join(" – "))})`;
    times.at(-1).after(yours);
  }
})();
