/** Password of every demo account; shown at the sign-in wherever the demo is loaded. */
export const DEMO_PASSWORD = 'windfall orchard';
