/** Unit tests run beside their sources, those of screens in a page without a browser; server tests need the database that scripts/test.mjs starts. */
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
  testTimeout: 240_000,
  projects: [
    {
      ...common,
      displayName: 'unit',
      testMatch: ['<rootDir>/{core,contract,devices,demo,sheets,verify,web}/**/*.test.ts'],
    },
    {
      ...common,
      displayName: 'screens',
      testEnvironment: 'jsdom',
      // Packages as Node gets them: their browser builds are made for a bundler.
      testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'], url: 'http://shop.test/' },
      setupFiles: ['<rootDir>/web/src/test/browser.ts'],
      testMatch: ['<rootDir>/web/**/*.test.tsx'],
    },
    {
      ...common,
      displayName: 'server',
      testMatch: ['<rootDir>/server/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
    },
  ],
};
