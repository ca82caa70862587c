/** How far a locator may stand from square, mm; nobody shoots from beyond. */
export const NOCKING_HEIGHT_MM = { low: 0, high: 25 } as const;
/** How far it may be moved from where it began while no reading says where it stands, mm. */
export const UNMEASURED_LOCATOR_MM = 15;
