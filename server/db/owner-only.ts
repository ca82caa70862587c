/** What an archer wrote is nobody else's to read: the mode of every file of the record. */
export const OWNER_ONLY = 0o600;
