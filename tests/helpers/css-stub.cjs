/** CSS modules under Jest: every class is called what it is called. */
module.exports = new Proxy({}, { get: (_, name) => (name === '__esModule' ? false : name) })
