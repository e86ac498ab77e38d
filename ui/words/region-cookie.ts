/** The region of the job that was open last: pages of no job speak as it does. */
export const REGION_COOKIE = 'region'
