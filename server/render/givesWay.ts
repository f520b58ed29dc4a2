/**
 * What is rendered gives way to what people wait for before their screens: pages, and files that are read in. Beside those it
 * has about a quarter of the processor, and all that they leave. As setpriority(2) counts.
 */
export const GIVES_WAY = 5;
