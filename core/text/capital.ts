/** A text of ours with its first letter as a capital, whatever language the machine speaks: browser and server agree. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
