import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['**/schema.d.ts'] },
    ...tseslint.configs.recommendedTypeChecked,
    reactHooks.configs.flat.recommended,
    jsxA11y.flatConfigs.recommended,
    {
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        linterOptions: { reportUnusedDisableDirectives: 'error' },
        rules: {
            'react-hooks/exhaustive-deps': 'error',
            // These two speak for the compiler of React, which is not used here; three.js is made to be changed in place.
            'react-hooks/immutability': 'off',
            'react-hooks/incompatible-library': 'off',
            // The field that a dialog was opened for has the focus (WAI-ARIA dialog pattern).
            'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
            '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
        },
    },
);
