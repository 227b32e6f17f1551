import js from '@eslint/js';
import query from '@tanstack/eslint-plugin-query';
import boundaries from 'eslint-plugin-boundaries';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// The rooms of the front end, and those that each may use beside itself.
const rooms = {
    api: [],
    format: [],
    words: ['api'],
    drawings: ['api', 'format', 'words'],
    workings: ['api', 'format'],
    form: ['api', 'format', 'words'],
    shell: ['api', 'format', 'words', 'form'],
    table: ['api', 'format', 'words', 'form', 'shell'],
};
const shared = Object.keys(rooms);
const to = (element) => ({ to: { element } });
const any = (types) => to({ types: { anyOf: types } });
// An area is used by its door alone: what its index names. The rest is its own.
const doors = to({ type: 'area', fileInternalPath: 'index.ts' });

export default tseslint.config(
    { ignores: ['dist', 'src/api/generated'] },
    js.configs.recommended,
    ...tseslint.configs.recommended,
    hooks.configs.flat['recommended-latest'],
    ...query.configs['flat/recommended'],
    {
        files: ['src/**/*.{ts,tsx}'],
        plugins: { boundaries },
        settings: {
            'import/resolver': { node: { extensions: ['.ts', '.tsx'] } },
            'boundaries/elements': [
                { type: 'area', pattern: 'src/areas/*' },
                ...['app', ...shared].map((type) => ({ type, pattern: `src/${type}` })),
            ],
        },
        rules: {
            'boundaries/dependencies': [
                'error',
                {
                    default: 'disallow',
                    policies: [
                        { allow: { to: { module: { origin: 'external' } } } },
                        ...Object.entries(rooms)
                            .filter(([, used]) => used.length > 0)
                            .map(([type, used]) => ({ from: { element: { type } }, allow: any(used) })),
                        { from: { element: { type: 'area' } }, allow: [any(shared), doors] },
                        { from: { element: { type: 'app' } }, allow: [any(shared), doors] },
                    ],
                },
            ],
        },
    },
);
