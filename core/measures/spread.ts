/**
 * Standard deviations from the mean of a normal distribution to its lowest and highest tenth: the 10 % and 90 % of
 * every spread that is shown. (Quantile of 0.9, to the four places the reference values are given in.)
 */
export const TENTH_SIGMAS = 1.2816;
