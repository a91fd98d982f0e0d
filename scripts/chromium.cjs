const { existsSync } = require('node:fs');

/**
 * Debian's headless Chromium; the whole one where only that is there. The whole one brings an interface of its own with
 * every page that nobody sees, and a walk takes it nearly twice as long. The program itself and not the script in
 * `/usr/bin`: who ends the script leaves the browser running.
 */
const PLACES = ['/usr/lib/chromium/chromium-headless-shell', '/usr/bin/chromium'];

exports.CHROMIUM = process.env.CHROME_BIN ?? PLACES.find((place) => existsSync(place)) ?? PLACES[0];
