/** Room to the butt's edge that a shot has to keep: a hand's breadth, mm. */
export const HAND_MM = 100;
