import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

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
  },
  test: { environment: "node", include: ["src/**/*.test.{ts,tsx}"] },
});
