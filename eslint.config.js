import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const forbid = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const NOT_IN_CORE = {
  regex: '^node:|^(react|react-native|react-dom|expo|@rneui|express|drizzle-orm|pg|zustand|idb)(/|$|-)',
  message: 'The core knows no interface, no server, no database and no machine.',
};
const UPWARDS = { regex: '(^|/)(app|server|e2e|tools)(/|$)', message: 'app → core ← server: nothing imports upwards.' };
const NO_CLOCK = [
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: 'The core has no clock of its own: time comes in.',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'The core has no clock of its own: time comes in.',
  },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: 'The core has no randomness of its own.',
  },
];
const DOM = ['window', 'document', 'navigator', 'localStorage', 'fetch', 'process'];
/** Folders of the core, each with those it may import: tables know nothing, rules know no rules. */
const CORE = {
  codebook: [],
  people: [],
  case: ['codebook'],
  electrical: ['codebook', 'case'],
  loads: ['codebook', 'case', 'electrical'],
  interlock: ['codebook', 'case', 'electrical'],
  contradictions: ['codebook', 'case', 'electrical', 'loads', 'interlock'],
  rules: ['codebook', 'case', 'electrical', 'loads', 'interlock'],
  profile: ['codebook', 'case', 'electrical', 'rules'],
  verdict: ['codebook', 'case', 'electrical', 'contradictions', 'rules', 'profile'],
  record: ['codebook', 'people', 'case', 'electrical', 'rules', 'profile', 'verdict'],
  walk: ['codebook', 'case', 'electrical', 'interlock', 'rules', 'profile', 'verdict'],
  formats: ['codebook', 'case', 'electrical', 'rules', 'profile', 'verdict', 'record'],
  history: ['record'],
  calendar: ['case', 'record'],
  papers: ['codebook', 'case', 'electrical', 'rules', 'profile', 'verdict', 'record'],
  storm: ['record'],
  verifier: [],
};
const folders = Object.keys(CORE);

export default tseslint.config(
  { ignores: ['**/node_modules/', '**/dist/', '.data/', 'app/.expo/', 'app/expo-env.d.ts', 'server/migrations/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['**/*.{mjs,cjs,js}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        fetch: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/test/**'],
    rules: { 'no-restricted-syntax': ['error', ...NO_CLOCK], 'no-restricted-globals': ['error', ...DOM] },
  },
  ...folders.map((folder) => ({
    files: [`core/${folder}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: forbid(
      NOT_IN_CORE,
      UPWARDS,
      ...folders
        .filter((other) => other !== folder && !CORE[folder].includes(other))
        .map((other) => ({
          regex: `^(\\.\\./)+${other}(/|$)`,
          message: `core/${folder} may not import core/${other}.`,
        })),
    ),
  })),
  {
    files: ['core/rules/*/*.ts'],
    ignores: ['**/*.test.ts', '**/worst-stretch.ts', '**/exhaust.ts', '**/size.ts'],
    rules: forbid(
      NOT_IN_CORE,
      UPWARDS,
      { regex: '^(\\.\\./)+(verdict|record|formats)(/|$)', message: 'A rule knows no verdict.' },
      {
        regex: '^\\.\\./(?!rule$|\\.\\.)|^\\./(?!worst-stretch$|exhaust$|size$)',
        message: 'A rule never imports another rule.',
      },
    ),
  },
  {
    files: ['server/**/*.ts'],
    rules: forbid(
      { regex: '(^|/)(app|e2e|tools)(/|$)', message: 'The server imports the core and itself alone.' },
      { regex: '^(react|react-native|expo)', message: 'The server has no interface.' },
    ),
  },
  { files: ['server/main.ts', 'server/**/*.test.ts', 'server/test/**'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...forbid(
        {
          regex: '^(\\.\\./)+(server|e2e|tools)(/|$)|^@careful-latch/server',
          message: 'The application talks to the server over its interface alone.',
        },
        { regex: '^(express|drizzle-orm|pg|node:)', message: 'The application runs in a browser.' },
      ),
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
    },
  },
  { files: ['e2e/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
);
