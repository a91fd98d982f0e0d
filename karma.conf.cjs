const { CHROMIUM } = require('./scripts/chromium.cjs');

process.env.CHROME_BIN = CHROMIUM;

/** @param {import('karma').Config} config */
module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: ['karma-jasmine', 'karma-chrome-launcher'],
    reporters: ['progress'],
    // A spec ends by the state it waits for; the limit is only for one that never comes.
    client: { jasmine: { random: true, timeoutInterval: 120000 } },
    browsers: ['ShopChromium'],
    customLaunchers: {
      ShopChromium: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
        ],
      },
    },
    // A spec that reckons for seconds answers no ping meanwhile; two busy cores must not be taken for a lost browser.
    browserNoActivityTimeout: 300000,
    browserDisconnectTimeout: 60000,
    browserDisconnectTolerance: 1,
    pingTimeout: 300000,
    restartOnFileChange: false,
  });
