declare module '*.mjs';
