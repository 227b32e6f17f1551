import { defineConfig } from '@playwright/test';

const port = 5179;
/** Where the books of the two servers lie. */
const data = process.env.TMPDIR ?? '../.build';
const newData = `${data}/browser-new`;
/** Where the demo lies. */
export const demoData = `${data}/browser-data`;
/** The demo's books are copied where the test command has made them, and made here otherwise. */
const prepared = process.env.KITELINE_PREPARED_DEMO;
const demoBooks = `rm -rf ${demoData}${prepared ? ` && cp -r ${prepared} ${demoData}` : ''}`;
/** A company that has nothing yet. */
export const newCompany = 'http://127.0.0.1:5180';
/** What its server printed, the code of the first administrator among it. */
export const newCompanyLog = '../.build/browser-new.log';
/** The demo's administrator, signed in. */
export const signedIn = '../.build/browser-signed-in.json';

export default defineConfig({
  testDir: './tests/browser',
  globalSetup: './tests/browser/signIn.ts',
  outputDir: '../test-results',
  fullyParallel: false,
  workers: 1,
  // What passes only the second time has failed.
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    storageState: signedIn,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: [
    {
      command: `${demoBooks} && ../kiteline demo --port ${port} --data ${demoData}`,
      url: `http://127.0.0.1:${port}/health`,
      timeout: 240_000,
      reuseExistingServer: false,
    },
    {
      command: `rm -rf ${newData} && ../kiteline serve --port 5180 --data ${newData} > ${newCompanyLog}`,
      url: `${newCompany}/health`,
      timeout: 240_000,
      reuseExistingServer: false,
    },
  ],
});
