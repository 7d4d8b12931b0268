export default {
  testEnvironment: 'node',
  // machines are noisy: what takes five seconds on one takes sixty on another
  testTimeout: 180_000,
  roots: ['<rootDir>/packages', '<rootDir>/scripts'],
  testMatch: ['**/src/**/*.test.ts', '**/src/**/*.test.tsx', '**/scripts/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  modulePathIgnorePatterns: ['<rootDir>/packages/[^/]+/dist'],
  setupFiles: ['<rootDir>/packages/web/src/testing/setup.ts'],
  moduleNameMapper: {
    '^@mantine/(core|hooks)$': '<rootDir>/node_modules/@mantine/$1/cjs/index.cjs',
    '^@tabler/icons-react$': '<rootDir>/node_modules/@tabler/icons-react/dist/cjs/tabler-icons-react.cjs',
    '\\.css$': '<rootDir>/packages/web/src/testing/styles.ts',
    '^(\\.{1,2}/.*)\\.(js|ts|tsx)$': '$1',
    '^@fictile/(core|words|contract|kernels|fonts|server|cli)$': '<rootDir>/packages/$1/src/index.ts',
  },
  transform: { '^.+\\.(tsx?|m?js)$': '<rootDir>/scripts/jestTransform.mjs' },
  // packages that count a lot go through it too
  transformIgnorePatterns: ['/node_modules/(?!(clipper2-ts|delaunator|@kninnug/constrainautor|robust-predicates)/)'],
};
