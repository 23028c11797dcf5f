import { defineConfig } from 'vitest/config';

// Rules are tried in node; what a screen says, does and asks for (*.test.tsx) in a small document.
export default defineConfig({ test: { include: ['resources/js/**/*.test.{ts,tsx}'], environment: 'node', environmentOptions: { happyDOM: { url: 'http://parlay.test/' } } } });
