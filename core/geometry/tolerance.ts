/** Unit system: mm and degrees. These are about arithmetic only; limits that mechanics choose are data. */
/** Two lengths closer than this are the same place: a thousandth of what a calliper shows. */
export const SAME_PLACE_MM = 1e-5
/** Degrees that are rounding noise: a wrap this close below 0 is 0, not a whole turn. */
export const SAME_ANGLE_DEG = 1e-7
