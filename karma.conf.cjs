process.env.CHROME_BIN ??= '/usr/bin/chromium';

/** @param {import('karma').Config} config */
module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: ['karma-jasmine', 'karma-chrome-launcher'],
    reporters: ['progress'],
    client: { jasmine: { random: true } },
    browsers: ['ShopChromium'],
    customLaunchers: {
      ShopChromium: {
        base: 'ChromeHeadless',
        flags: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
      },
    },
    browserNoActivityTimeout: 120000,
    restartOnFileChange: false,
  });
