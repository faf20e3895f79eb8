import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['src/api/schema.d.ts', 'node_modules', 'public', '*.config.*'] },
    js.configs.recommended,
    tseslint.configs.recommendedTypeChecked,
    a11y.flatConfigs.recommended,
    hooks.configs.flat.recommended,
    {
        languageOptions: {
            globals: globals.browser,
            parserOptions: { projectService: true },
        },
        rules: {
            // A region that scrolls must be reachable by keyboard.
            'jsx-a11y/no-noninteractive-tabindex': ['error', { tags: [], roles: ['region'] }],
            // The router takes a redirect as something thrown.
            '@typescript-eslint/only-throw-error': 'off',
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
        },
    },
    // The library keeps a first answer that is on its way from before a change.
    {
        files: ['src/**'],
        ignores: ['src/api/wire/renew.ts'],
        rules: {
            'no-restricted-syntax': [
                'error',
                {
                    selector: "CallExpression[callee.property.name='invalidateQueries']",
                    message: 'Ask anew with renew (api/wire/renew.ts).',
                },
            ],
        },
    },
    // Node programs without types, which drive other browsers.
    { files: ['engines/**'], ...tseslint.configs.disableTypeChecked },
    { files: ['engines/**'], languageOptions: { globals: { ...globals.node, ...globals.browser } } },
);
