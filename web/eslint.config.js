import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Folders of `src` that everything may import from, the lowest first: each imports from those before it alone. */
const LAYERS = ['core', 'theme', 'session', 'kit', 'fields'];

/** Files of a folder may import from these folders and no others; a feature, from all but the window it stands in. */
const only = (folder, allowed) => ({
  files: [`src/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: `^\\.\\./(?!\\.\\./)(?!(${allowed.join('|') || 'none'})/)`,
            message: `${folder} imports from ${allowed.join(', ') || 'nothing of ours'} alone (src/*/README.md).`,
          },
        ],
      },
    ],
  },
});

export default ts.config(
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^\\.\\./shell/', message: 'The window imports the features, not they the window.' },
          ],
        },
      ],
    },
  },
  { files: ['src/shell/**/*.{ts,tsx}', 'src/main.tsx'], rules: { 'no-restricted-imports': 'off' } },
  ...LAYERS.map((folder, i) => only(folder, LAYERS.slice(0, i))),
);
