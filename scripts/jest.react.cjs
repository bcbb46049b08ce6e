/** Who made an element is asked only by React's warnings; remembering it takes an error with its stack for each element drawn, a fifth of the
 *  time of these tests. React itself stops doing so after ten thousand in a second: here it does from the first. */
const { __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: internals } = require('react');
Object.defineProperty(internals, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined });
