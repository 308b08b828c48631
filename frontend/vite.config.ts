import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

/** The parts of the house style that are fetched once its rows stand. */
const FIELDS =
  /src\/(house-style\/\w+Field|brand\/(Icon|Logo|Share|Typefaces)Field|titles\/\w+Field|frame\/\w+Fields?|contact\/\w+Field)\.tsx/;

export default defineConfig({
  plugins: [react(), tailwindcss()],
  base: "/",
  build: {
    outDir: "../hestor/desk/dist/public",
    emptyOutDir: true,
    assetsDir: "_desk",
    // The desk's security policy takes scripts, styles and fonts from files only.
    assetsInlineLimit: 0,
    modulePreload: { polyfill: false },
    // How much comes before anything is shown, "make bench" holds to a limit, compressed.
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // What is needed together comes together: each file more is a way to the server and back.
          groups: [
            { name: "packages", tags: ["$initial"], test: /node_modules/, priority: 3 },
            { name: "desk", tags: ["$initial"], priority: 2 },
            { name: "fields", test: FIELDS, priority: 1 },
          ],
        },
      },
    },
  },
  test: { environment: "node", include: ["src/**/*.test.{ts,tsx}"] },
});
