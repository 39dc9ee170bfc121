/** Sales of so many days make “best selling”: long enough to tell, short enough to follow the season. */
export const BEST_SELLING_DAYS = 90;
