import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Folders of `src` that features import from, the lowest first: each imports from those before it alone. */
const LAYERS = ['core', 'theme', 'session', 'kit', 'shortcuts', 'doing', 'fields', 'views', 'filming'];

/** What a person does with the application, a folder each. None imports another: the shell puts them together. */
const FEATURES = [
  'dailies',
  'frame',
  'handover',
  'help',
  'history',
  'home',
  'importing',
  'lanes',
  'people',
  'recipes',
  'rig',
  'roster',
  'sets',
  'setting',
  'shots',
  'signin',
  'sounds',
  'standards',
  'versions',
  'watchers',
];

/** Folders inside a feature, which import from each other. */
const PARTS = { recipes: ['engine', 'ready', 'typing', 'vocabulary'] };

/** Whoever asks the core asks about what is shown: `core()` and `useCore` see to it that the plan stands there. */
const FROM_THE_SESSION = {
  name: '../core/load',
  importNames: ['theCore'],
  message: 'Ask with core() or useCore of session/evaluated.',
};

/** Folders that see to it themselves. */
const SEE_TO_IT = ['core', 'session'];

/** Files of a folder may import from these folders, and from their own. */
const only = (folder, allowed) => ({
  files: [`src/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        paths: SEE_TO_IT.includes(folder) ? [] : [FROM_THE_SESSION],
        patterns: [
          {
            regex: `^\\.\\./(?!\\.\\./)(?!(${allowed.join('|') || 'none'})/)`,
            message: `${folder} imports from ${allowed.join(', ') || 'nothing of ours'} alone (src/README.md).`,
          },
        ],
      },
    ],
  },
});

export default ts.config(
  // recipes run with words of their own: their types are checked by a test
  { ignores: ['src/recipes/ready/*.recipe.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/session/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[object.name='useSequence'][property.name='setState']",
          message:
            'Each part of the open sequence is written by its own file of session (src/session/README.md).',
        },
      ],
    },
  },
  ...LAYERS.map((folder, i) => only(folder, LAYERS.slice(0, i))),
  ...FEATURES.map((folder) => only(folder, [...LAYERS, ...(PARTS[folder] ?? [])])),
);
