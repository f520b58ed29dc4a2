/** One password for all demo accounts; they are offered on the sign-in page only while the demo world is loaded. */
export const DEMO_PASSWORD = "clay-and-compost";
