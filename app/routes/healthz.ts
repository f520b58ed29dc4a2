/** The process is up. */
export const loader = () => new Response("ok\n");
