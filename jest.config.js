/** @type {import('jest').Config} */
const shared = {
  transform: {
    '^.+\\.[jt]sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2023',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  moduleNameMapper: {
    '\\.css$': '<rootDir>/tests/helpers/css-stub.cjs',
    '^(d3-[a-z-]+|internmap)$': '<rootDir>/node_modules/$1/dist/$1.js',
  },
  // Packages that ship ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!(ical.js|ical-generator|p-limit|yocto-queue)/)'],
}

/** @type {import('jest').Config} */
export default {
  ...shared,
  // A lookup of a global is slow in the sandbox of a test, and a simulated pot does millions of them.
  sandboxInjectedGlobals: ['Math', 'Number', 'Infinity', 'Float64Array'],
  testEnvironment: 'node',
  testMatch: ['<rootDir>/{core,app,server,cli,demo,docs,tools,tests}/**/*.test.{ts,tsx}'],
  modulePathIgnorePatterns: ['<rootDir>/build/'],
  // By itself jest leaves a core free for somebody at the keyboard; nothing is asserted of the clock on the wall.
  maxWorkers: '100%',
  // A machine that has other work takes longer, and is not wrong for it.
  testTimeout: 120_000,
  collectCoverageFrom: ['{core,app,server,cli}/**/*.{ts,tsx}', '!**/*.test.*'],
}
