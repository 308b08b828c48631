import { readdirSync } from "node:fs";
import { join } from "node:path";
import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

// Each may import those that stand after it, never those before.
const BELOW = ["proofs", "draft", "ui", "i18n", "api"];
/** Every other folder is a feature's: a new one is held to the rule from its first file on. */
const FEATURES = readdirSync(join(import.meta.dirname, "src"), { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && !["app", ...BELOW].includes(entry.name))
  .map((entry) => entry.name);

function barred(files, groups, message) {
  const patterns = [{ group: groups, message }];
  return { files: files.map((name) => `src/${name}/**`), rules: { "no-restricted-imports": ["error", { patterns }] } };
}

/** `app` imports features, features import what is below and each other's index: never insides, never back up. */
const directions = [
  barred(
    ["app"],
    FEATURES.map((name) => `../${name}/*`),
    "Import the feature's index.",
  ),
  ...FEATURES.map((name) =>
    barred(
      [name],
      ["../app", "../app/*", ...FEATURES.filter((other) => other !== name).map((other) => `../${other}/*`)],
      "A feature imports what is below it, and other features by their index.",
    ),
  ),
  ...BELOW.map((name, at) =>
    barred(
      [name],
      ["app", ...FEATURES, ...BELOW.slice(0, at)].flatMap((above) => [`../${above}`, `../${above}/*`]),
      "Imports go one way: app, features, proofs, draft, ui, i18n, api.",
    ),
  ),
];

export default ts.config(
  { ignores: ["src/api/schema.d.ts"] },
  js.configs.recommended,
  ...ts.configs.strict,
  { files: ["src/**"], extends: ts.configs.strictTypeChecked },
  { plugins: { "react-hooks": hooks }, rules: hooks.configs.recommended.rules },
  ...directions,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    files: ["src/**"],
    rules: {
      "max-lines": ["error", 400],
      "@typescript-eslint/switch-exhaustiveness-check": "error",
      "no-console": "error",
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      // `onClick={() => setOpen(true)}` gives nothing to anybody; braces around it would say no more.
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      "no-restricted-syntax": [
        "error",
        {
          selector: "BinaryExpression > Literal[value=/^(owner|editor|viewer)$/]",
          message: "What a role allows is the server's to say: site.may.",
        },
      ],
    },
  },
  // What stands in for a server answers later, and refuses later, as a server does.
  { files: ["src/**/*.test.*", "src/draft/memoryServer.ts"], rules: { "@typescript-eslint/require-await": "off" } },
);
