import { ensureBuilt, ensurePackages } from './ensure.mjs';

ensurePackages();
ensureBuilt();
