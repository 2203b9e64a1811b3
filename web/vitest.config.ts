import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  // patience for a slow machine: nothing that passes waits for it
  test: { environment: "jsdom", include: ["tests/**/*.test.ts", "tests/**/*.test.tsx"], setupFiles: ["tests/patience.ts"], testTimeout: 60_000 },
});
