// Zod tries whether it may make code out of text; our policy says no. Imported before it.
(globalThis as { __zod_globalConfig?: object }).__zod_globalConfig = { jitless: true };

export {};
