/** The browser of these tests: Debian's, without a network of its own. */
export const CHROMIUM = {
  executablePath: process.env['PINE_CHROMIUM'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
