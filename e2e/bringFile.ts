import { type APIResponse, type Page } from "@playwright/test";

/** The version of the tus protocol that files are sent by. */
const PROTOCOL = { "tus-resumable": "1.0.0" };

/** What is said of an upload, as the protocol writes it. */
const written = (metadata: Readonly<Record<string, string>>): string =>
  Object.entries(metadata)
    .map(([key, value]) => `${key} ${Buffer.from(value).toString("base64")}`)
    .join(",");

/** Announces a file to the media. @param length how long it will be, in bytes */
export const announceFile = (page: Page, name: string, length: number): Promise<APIResponse> =>
  page.request.post("/media/uploads", {
    headers: { ...PROTOCOL, "upload-length": String(length), "upload-metadata": written({ name }) },
  });

/** Sends a part of an announced file. */
export const sendPart = (page: Page, upload: string, offset: number, data: Buffer): Promise<APIResponse> =>
  page.request.fetch(upload, {
    method: "PATCH",
    headers: { ...PROTOCOL, "upload-offset": String(offset), "content-type": "application/offset+octet-stream" },
    data,
  });

/** How much of an announced file is there. */
export const askForUpload = (page: Page, upload: string): Promise<APIResponse> =>
  page.request.fetch(upload, { method: "HEAD", headers: PROTOCOL });

/** Sends a whole file to the media in one request, as a program does. */
export const bringFile = (
  page: Page,
  name: string,
  data: Buffer,
  wishes: Readonly<Record<string, string>> = {},
): Promise<APIResponse> =>
  page.request.post("/media/uploads", {
    headers: {
      ...PROTOCOL,
      "upload-length": String(data.length),
      "upload-metadata": written({ name, ...wishes }),
      "content-type": "application/offset+octet-stream",
    },
    data,
  });
