/**
 * Stands in for a package that asks with eval whether generators exist. Our content policy forbids
 * eval, every browser we serve has generators, and a refused probe logs an error on every page.
 */
module.exports = () => true;
