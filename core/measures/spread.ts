/**
 * Standard deviations from the mean of a normal distribution to its lowest and highest tenth: the 10 % and 90 % of
 * every spread that is shown. (Quantile of 0.9, to the four places the reference values are given in.)
 */
export const TENTH_SIGMAS = 1.2816;
/** Nine in ten lie within so many standard deviations of the mean, either way. (Quantile of 0.95.) */
export const NINE_IN_TEN_SIGMAS = 1.6449;
