/** Which build of the program answers: a sign that it is this program at all. */
export const BUILD_HEADER = 'Keen-Limb-Build';

/** The time by the server's clock, ms since 1970. */
export const NOW_HEADER = 'Keen-Limb-Now';
