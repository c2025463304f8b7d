// CHROME_BIN may name another browser; Debian's is the default.
process.env.CHROME_BIN ??= '/usr/bin/chromium';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['dots'],
    colors: false,
    browsers: ['Headless'],
    customLaunchers: {
      Headless: {
        base: 'ChromeHeadless',
        flags: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
      },
    },
    browserNoActivityTimeout: 120_000,
    // A long property test keeps the page from answering for a while.
    browserDisconnectTimeout: 60_000,
    pingTimeout: 60_000,
    restartOnFileChange: false,
  });
