import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

const banned = (names, why) => names.map((name) => ({ name, message: why }));

export default tseslint.config(
  {
    ignores: [
      'node_modules/**',
      'dist/**',
      '.expo/**',
      '.cache/**',
      'test-results/**',
      '*.js',
      '**/*.cjs',
      '*.mjs',
      // AssemblyScript: checked by its compiler.
      'kernels/**',
      'expo-env.d.ts',
    ],
  },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    // The core takes time and chance as arguments; it reads neither.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/testing/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...banned(
          [
            'window',
            'document',
            'localStorage',
            'indexedDB',
            'fetch',
            'setTimeout',
            'setInterval',
            'process',
          ],
          'core/ is pure: no platform here',
        ),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Pass the time in.' },
      ],
    },
  },
  { files: ['server/**/*.ts', 'bench/**/*.ts', 'scripts/**/*.ts'], rules: { 'no-console': 'off' } },
);
