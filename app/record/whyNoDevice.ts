/**
 * Why a browser lends no device, in words. It lends them to pages with a secure address only.
 *
 * @param none what is said where there is no such device
 */
export function whyNoDevice(error: unknown, none: string): string {
  if (!isSecureContext)
    return "Browsers record on secure pages only. Ask whoever runs Stencilcraft for an address that begins with https.";
  return error instanceof DOMException && error.name === "NotFoundError"
    ? none
    : "The browser did not allow it. Allow it in the address bar, and try again.";
}
