/** Unit tests run beside their sources; server tests need the database that scripts/test.mjs starts. */
const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        experimental: { keepImportAttributes: true },
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: {
          react: { runtime: 'automatic' },
          legacyDecorator: true,
          decoratorMetadata: true,
          useDefineForClassFields: false,
        },
      },
      module: { type: 'es6' },
    },
  ],
};
const common = { extensionsToTreatAsEsm: ['.ts', '.tsx'], transform, testEnvironment: 'node' };

export default {
  // Generous: a busy machine is no defect, and what is measured is measured in bench/.
  testTimeout: 60_000,
  projects: [
    {
      ...common,
      displayName: 'unit',
      testMatch: ['<rootDir>/{core,contract,devices,demo,web}/**/*.test.ts', '<rootDir>/web/**/*.test.tsx'],
    },
    {
      ...common,
      displayName: 'server',
      testMatch: ['<rootDir>/server/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
    },
  ],
};
