/** More settings than this nobody shoots, however fine the step. */
export const MOST_SETTINGS = 40;
