// Stands in for modules that are imported but never rendered (see metro.config.js): whatever is asked of it is nothing.
const nothing = new Proxy(function Nothing() {}, {
  get: (target, key) => (key === '__esModule' ? true : key in target ? target[key] : nothing),
  apply: () => nothing,
});

module.exports = nothing;
