require('fake-indexeddb/auto');
const { webcrypto } = require('node:crypto');
const { structuredClone: clone } = globalThis;

if (!globalThis.crypto?.randomUUID) Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
if (!clone) globalThis.structuredClone = (value) => JSON.parse(JSON.stringify(value));
globalThis.TextEncoder ??= require('node:util').TextEncoder;
