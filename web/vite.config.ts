import { defineConfig } from "vite";
import react from "@vitejs/plugin-react";
import tailwind from "@tailwindcss/vite";

export default defineConfig({
  plugins: [react(), tailwind()],
  build: { outDir: "dist", chunkSizeWarningLimit: 2000 },
  server: { proxy: { "/api": "http://127.0.0.1:4567" } },
});
