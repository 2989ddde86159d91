// Stands in for the icon families that React Native Elements imports and this application never shows.
const NoIcon = () => null;
module.exports = NoIcon;
module.exports.default = NoIcon;
