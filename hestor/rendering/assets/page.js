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

  // Without a script the link leads to the menu, which then unfolds; with one it is a button that folds it again.
  const unfold = document.querySelector("header .unfold");
  if (unfold) {
    const nav = unfold.parentElement;
    const set = (open) => {
      nav.classList.toggle("is-open", open);
      unfold.setAttribute("aria-expanded", open);
    };
    unfold.setAttribute("role", "button");
    const toggle = (event) => {
      event.preventDefault();
      set(!nav.classList.contains("is-open"));
    };
    set(false);
    unfold.addEventListener("click", toggle);
    unfold.addEventListener("keydown", (event) => event.key === " " && toggle(event));
  }

  // The code of others waits in a template until a visitor agrees; the answer stays in this browser.
  const cookies = document.querySelector(".cookies");
  if (cookies) {
    const key = "cookies-answer";
    const asked = cookies.textContent.trim();
    const mind = document.querySelector(".mind");
    const stored = () => {
      try {
        const { answer, to } = JSON.parse(localStorage.getItem(key));
        return to === asked ? answer : null;
      } catch {
        return null;
      }
    };
    const run = () => {
      const added = document.getElementById("added");
      for (const node of added ? [...added.content.children] : []) {
        // A script that was parsed within a template never runs; one that is made anew does.
        const made = document.createElement(node.tagName);
        for (const { name, value } of node.attributes) made.setAttribute(name, value);
        made.textContent = node.textContent;
        document.head.append(made);
      }
      added?.remove();
    };
    const show = (answer) => {
      cookies.hidden = answer !== null;
      mind.hidden = answer === null;
    };
    // The page leaves room for it, so that it covers nothing that is at the end or has the focus.
    const root = document.documentElement;
    new ResizeObserver(() => {
      const covers = !cookies.hidden && getComputedStyle(cookies).position === "fixed";
      root.style.setProperty("--asked", covers ? `${innerHeight - cookies.getBoundingClientRect().top}px` : "0px");
    }).observe(cookies);
    const text = document.getElementById("text");
    let asker = null;
    const first = stored();
    show(first);
    if (first === "yes") run();
    for (const button of cookies.querySelectorAll("button"))
      button.addEventListener("click", () => {
        const before = stored();
        try {
          // What was agreed to is what was read: other words are asked for anew.
          localStorage.setItem(key, JSON.stringify({ answer: button.value, to: asked }));
        } catch {
          // Without a memory the notice comes again with the next page.
        }
        show(button.value);
        if (button.value === "yes") run();
        // What runs already can only be ended by a page without it.
        else if (before === "yes") location.reload();
        if (!asker) text.tabIndex = -1;
        (asker ?? text).focus({ preventScroll: !asker });
        asker = null;
      });
    mind.querySelector("button").addEventListener("click", ({ currentTarget }) => {
      asker = currentTarget;
      cookies.hidden = false;
      cookies.querySelector("button").focus();
    });
  }

  // In a private preview of the draft the desk shows the words of the page while they are being typed.
  const desk = document.querySelector('meta[name="desk"]')?.content;
  if (desk)
    addEventListener("message", ({ origin, source, data }) => {
      if (origin !== desk || source !== parent || typeof data?.main !== "string") return;
      document.querySelector("main").innerHTML = data.main;
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
