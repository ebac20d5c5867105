module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['progress'],
    // A spec waits for what it waits for, however loaded the machine.
    client: { jasmine: { timeoutInterval: 120_000 } },
    browserNoActivityTimeout: 300_000,
    captureTimeout: 180_000,
    browsers: ['Quiet'],
    customLaunchers: {
      Quiet: {
        base: 'ChromeHeadless',
        flags: require('../scripts/chromium-flags.json'),
      },
    },
    restartOnFileChange: false,
  });
};
