// Made from the facts' specs (hestor/core/facts) by `make types`; never edited by hand.
import type { components } from "./schema";

export const BAND_IDS = [
  "words",
  "brand",
  "colours",
  "frame",
  "contact",
  "organisation",
  "language",
  "clock",
  "added"
] as const;

export const FACTS = [
  {
    "key": "name",
    "band": "words",
    "editor": "line",
    "size": "name",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "least": 1,
    "most": 120,
    "slots": [
      {
        "place": "tab"
      },
      {
        "place": "header"
      }
    ]
  },
  {
    "key": "short_name",
    "band": "words",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "least": 0,
    "most": 30,
    "slots": [
      {
        "place": "manifest"
      }
    ]
  },
  {
    "key": "tagline",
    "band": "words",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "least": 0,
    "most": 160,
    "slots": [
      {
        "place": "search",
        "home": true
      },
      {
        "place": "header"
      }
    ]
  },
  {
    "key": "description",
    "band": "words",
    "editor": "line",
    "size": "text",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "least": 0,
    "most": 320,
    "slots": [
      {
        "place": "search",
        "home": true
      }
    ]
  },
  {
    "key": "footer_text",
    "band": "words",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": true,
    "common": false,
    "quiet": false,
    "least": 0,
    "most": 300,
    "slots": [
      {
        "place": "footer"
      }
    ]
  },
  {
    "key": "title_pattern",
    "band": "words",
    "editor": "title_pattern",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": true,
    "common": false,
    "quiet": true,
    "least": 1,
    "most": 200,
    "slots": [
      {
        "place": "tab"
      },
      {
        "place": "search"
      }
    ]
  },
  {
    "key": "home_title",
    "band": "words",
    "editor": "title_pattern",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": true,
    "common": false,
    "quiet": true,
    "least": 1,
    "most": 200,
    "slots": [
      {
        "place": "tab",
        "home": true
      },
      {
        "place": "search",
        "home": true
      }
    ]
  },
  {
    "key": "title_long",
    "band": "words",
    "editor": "title_long",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "search"
      }
    ]
  },
  {
    "key": "keywords",
    "band": "words",
    "editor": "keywords",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "logo",
    "band": "brand",
    "editor": "logo",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "header"
      },
      {
        "place": "header",
        "variant": "dark"
      },
      {
        "place": "header",
        "variant": "phone"
      },
      {
        "place": "message"
      }
    ]
  },
  {
    "key": "logo_dark",
    "band": "brand",
    "editor": "logo",
    "size": "line",
    "within": "logo",
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "logo_plate",
    "band": "brand",
    "editor": "logo",
    "size": "line",
    "within": "logo",
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "logo_width",
    "band": "brand",
    "editor": "logo",
    "size": "line",
    "within": "logo",
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "least": 24,
    "most": 480,
    "slots": []
  },
  {
    "key": "logo_says_name",
    "band": "brand",
    "editor": "logo",
    "size": "line",
    "within": "logo",
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "icon",
    "band": "brand",
    "editor": "icon",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "tab"
      },
      {
        "place": "tab",
        "variant": "dark"
      },
      {
        "place": "manifest",
        "variant": "round"
      },
      {
        "place": "manifest",
        "variant": "rounded"
      },
      {
        "place": "tab",
        "variant": "bookmark"
      }
    ]
  },
  {
    "key": "share_picture",
    "band": "brand",
    "editor": "share",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "share"
      }
    ]
  },
  {
    "key": "brand_colour",
    "band": "colours",
    "editor": "colour",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "header"
      }
    ]
  },
  {
    "key": "accent_colour",
    "band": "colours",
    "editor": "colour",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "links"
      }
    ]
  },
  {
    "key": "typefaces",
    "band": "colours",
    "editor": "typefaces",
    "size": "line",
    "within": null,
    "visual": true,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "share",
        "home": true
      }
    ]
  },
  {
    "key": "header_parts",
    "band": "frame",
    "editor": "header_parts",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "header"
      },
      {
        "place": "header",
        "variant": "phone"
      }
    ]
  },
  {
    "key": "header_arrangement",
    "band": "frame",
    "editor": "arrangement",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "header"
      },
      {
        "place": "header",
        "variant": "phone"
      }
    ]
  },
  {
    "key": "menu_fold",
    "band": "frame",
    "editor": "menu_fold",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "header",
        "variant": "phone"
      }
    ]
  },
  {
    "key": "content_width",
    "band": "frame",
    "editor": "content_width",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": []
  },
  {
    "key": "shows_trail",
    "band": "frame",
    "editor": "yes_no",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": []
  },
  {
    "key": "site_notice",
    "band": "frame",
    "editor": "site_notice",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "notice"
      }
    ]
  },
  {
    "key": "side_text",
    "band": "frame",
    "editor": "side_text",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "side"
      }
    ]
  },
  {
    "key": "contact_email",
    "band": "contact",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "slots": [
      {
        "place": "footer"
      },
      {
        "place": "message"
      },
      {
        "place": "message",
        "variant": "dark"
      },
      {
        "place": "card"
      }
    ]
  },
  {
    "key": "contact_label",
    "band": "contact",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": true,
    "common": false,
    "quiet": false,
    "least": 0,
    "most": 80,
    "slots": [
      {
        "place": "footer"
      }
    ]
  },
  {
    "key": "contact_protection",
    "band": "contact",
    "editor": "protection",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "footer"
      }
    ]
  },
  {
    "key": "notices_email",
    "band": "contact",
    "editor": "notices",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "enquiry_days",
    "band": "contact",
    "editor": "days",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "contact"
      }
    ]
  },
  {
    "key": "contact_parts",
    "band": "contact",
    "editor": "parts",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": true,
    "slots": [
      {
        "place": "footer"
      },
      {
        "place": "contact"
      }
    ]
  },
  {
    "key": "legal_name",
    "band": "organisation",
    "editor": "line",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "least": 0,
    "most": 160,
    "slots": [
      {
        "place": "contact"
      },
      {
        "place": "structured",
        "home": true
      },
      {
        "place": "card"
      }
    ]
  },
  {
    "key": "postal_address",
    "band": "organisation",
    "editor": "address",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "slots": [
      {
        "place": "contact"
      },
      {
        "place": "card"
      }
    ]
  },
  {
    "key": "phone",
    "band": "organisation",
    "editor": "phone",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "slots": [
      {
        "place": "contact"
      },
      {
        "place": "card"
      }
    ]
  },
  {
    "key": "registrations",
    "band": "organisation",
    "editor": "registrations",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "slots": [
      {
        "place": "contact"
      }
    ]
  },
  {
    "key": "social",
    "band": "organisation",
    "editor": "social",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": true,
    "quiet": false,
    "slots": [
      {
        "place": "contact"
      }
    ]
  },
  {
    "key": "language",
    "band": "language",
    "editor": "language",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "own_words",
    "band": "language",
    "editor": "own_words",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  },
  {
    "key": "time_zone",
    "band": "clock",
    "editor": "clock",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "footer"
      }
    ]
  },
  {
    "key": "date_long",
    "band": "clock",
    "editor": "date_form",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "dated"
      }
    ]
  },
  {
    "key": "date_short",
    "band": "clock",
    "editor": "date_form",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "dated",
        "home": true
      }
    ]
  },
  {
    "key": "time_style",
    "band": "clock",
    "editor": "time_form",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "dated"
      }
    ]
  },
  {
    "key": "first_weekday",
    "band": "clock",
    "editor": "weekday",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "calendar"
      }
    ]
  },
  {
    "key": "opening_hours",
    "band": "clock",
    "editor": "hours",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "hours"
      }
    ]
  },
  {
    "key": "cookie_notice",
    "band": "added",
    "editor": "cookie_notice",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": [
      {
        "place": "cookies"
      }
    ]
  },
  {
    "key": "added_code",
    "band": "added",
    "editor": "added_code",
    "size": "line",
    "within": null,
    "visual": false,
    "takesFillIns": false,
    "common": false,
    "quiet": false,
    "slots": []
  }
] as const;

export const DEFAULTS: components["schemas"]["Facts"] = {
  "name": "-",
  "short_name": "",
  "tagline": "",
  "description": "",
  "footer_text": "\u00a9 {year} {site}",
  "title_pattern": "{page} \u2013 {site}",
  "home_title": "{site} \u2013 {tagline}",
  "title_long": "keep",
  "keywords": "",
  "logo": null,
  "logo_dark": null,
  "logo_plate": "",
  "logo_width": 0,
  "logo_says_name": false,
  "icon": null,
  "share_picture": null,
  "brand_colour": "#3d4f7c",
  "accent_colour": "",
  "typefaces": "reading",
  "header_parts": [
    "logo",
    "name",
    "tagline",
    "menu"
  ],
  "header_arrangement": "below",
  "menu_fold": 0,
  "content_width": "medium",
  "shows_trail": true,
  "site_notice": null,
  "side_text": "",
  "contact_email": "",
  "contact_label": "",
  "contact_protection": "",
  "notices_email": "",
  "enquiry_days": 180,
  "contact_parts": {
    "footer": [
      "email"
    ],
    "page": [
      "legal_name",
      "address",
      "phone",
      "email",
      "hours",
      "registrations",
      "social",
      "form",
      "card"
    ]
  },
  "legal_name": "",
  "postal_address": null,
  "phone": "",
  "registrations": [],
  "social": [],
  "language": "en-GB",
  "own_words": [],
  "time_zone": "UTC",
  "date_long": "",
  "date_short": "",
  "time_style": "",
  "first_weekday": "",
  "opening_hours": null,
  "cookie_notice": null,
  "added_code": null
};
