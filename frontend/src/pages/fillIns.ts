/** What may be filled in within a page's text: how it is written, and what its meaning is called. */
export const FILL_INS = [
  { name: "site", text: "site" },
  { name: "tagline", text: "tagline" },
  { name: "year", text: "year" },
  { name: "contact", text: "contact" },
  { name: "hours", text: "hours" },
  { name: "open", text: "open" },
  { name: "date", text: "date:2026-05-03" },
  { name: "time", text: "time:14:30" },
  { name: "next", text: "next:swap-days" },
] as const;
