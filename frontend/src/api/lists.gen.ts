// Made from the core's lists by `make types`; never edited by hand.


export const SPELLINGS = [
  {"tag": "de-CH", "written": [["\u00df", "ss"], ["\u201e", "\u00ab"], ["\u201c", "\u00bb"], ["\u201a", "\u2039"], ["\u2018", "\u203a"]]},
  {"tag": "de-LI", "written": [["\u00df", "ss"], ["\u201e", "\u00ab"], ["\u201c", "\u00bb"], ["\u201a", "\u2039"], ["\u2018", "\u203a"]]},
] as const;

export const SPOKEN = [
  "ar",
  "de",
  "el",
  "en",
  "es",
  "fa",
  "fr",
  "he",
  "hi",
  "it",
  "ja",
  "nl",
  "pl",
  "pt",
  "ru",
  "tr",
] as const;

export const DRAWN = [
  "tab",
  "notice",
  "header",
  "side",
  "footer",
  "search",
  "cookies",
  "text",
  "dated",
  "event",
  "calendar",
  "archive",
  "hours",
  "contact",
  "share",
  "paper",
  "aloud",
  "links",
  "structured",
  "not_found",
  "feed",
  "manifest",
  "message",
  "card",
] as const;

export const FILE_PLACES = [
  "not_found",
  "feed",
  "manifest",
  "message",
  "card",
] as const;

export const ENQUIRY_DAYS = [
  30,
  90,
  180,
  365,
] as const;

export const CONTACT_PARTS = [
  "legal_name",
  "address",
  "phone",
  "email",
  "hours",
  "registrations",
  "social",
] as const;

export const HEADER_PARTS = [
  "logo",
  "name",
  "tagline",
  "menu",
] as const;

export const ARRANGEMENTS = [
  "below",
  "line",
  "centred",
] as const;

export const WIDTHS = [
  "narrow",
  "medium",
  "wide",
] as const;

export const FOLDS = [
  0,
  480,
  640,
  800,
  1000,
] as const;

export const LONG_RULES = [
  "keep",
  "name_last",
  "without_name",
] as const;

export const FILL_INS = [
  {"name": "site", "text": "site"},
  {"name": "tagline", "text": "tagline"},
  {"name": "short_name", "text": "short_name"},
  {"name": "legal_name", "text": "legal_name"},
  {"name": "contact", "text": "contact"},
  {"name": "phone", "text": "phone"},
  {"name": "address", "text": "address"},
  {"name": "hours", "text": "hours"},
  {"name": "open", "text": "open"},
  {"name": "year", "text": "year"},
  {"name": "date", "text": "date:2026-05-03"},
  {"name": "time", "text": "time:14:30"},
  {"name": "next", "text": "next:swap-days"},
  {"name": "days", "text": "days:2027-06-06"},
  {"name": "name", "text": "name"},
  {"name": "email", "text": "email"},
] as const;

export const TITLE_FILL_INS = [
  "page",
  "section",
  "site",
  "tagline",
] as const;

export const NEVER_IN_MENU = [
  "post",
  "not_found",
] as const;

export const BUNDLES = [
  "look",
  "manners",
  "identity",
] as const;

export const TOLD_TO_SEVERAL = [
  "footer_text",
  "contact_email",
  "contact_label",
  "contact_link_text",
  "legal_name",
  "phone",
] as const;

export const SHARED_PARTS = [
  "header",
  "menu",
  "notice",
  "trail",
  "side",
  "footer",
  "contact",
] as const;

export const TITLE_FIELDS = [
  "title",
  "own_title",
  "menu_title",
  "summary",
] as const;

export const CONTACT_PAGE_PARTS = [
  "legal_name",
  "address",
  "phone",
  "email",
  "hours",
  "registrations",
  "social",
  "form",
  "card",
] as const;

export type DrawnPlace = (typeof DRAWN)[number];
