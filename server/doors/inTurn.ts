import { type NextFunction, type Request, type RequestHandler, type Response } from "express";
import pLimit from "p-limit";

/**
 * Answers so many pages at once and lets the others wait for their turn, first come, first served. Where all are begun at
 * once, each step of a page that needs many waits behind a step of everybody else's: light pages are quick, and heavy ones
 * take several times as long as they need to. What is sent to be saved does not wait.
 *
 * @param longestMs who takes longer waits for something else, a stream of events or a picture being painted, and stands in
 * nobody's way any more
 */
export function inTurn(most: number, longestMs: number): RequestHandler {
  const limit = pLimit(most);
  return (request: Request, response: Response, next: NextFunction) => {
    if (request.method !== "GET") {
      next();
      return;
    }
    void limit(
      () =>
        new Promise<void>((done) => {
          // Who has gone meanwhile needs no answer.
          if (response.destroyed) {
            done();
            return;
          }
          const late = setTimeout(done, longestMs);
          response.once("close", () => {
            clearTimeout(late);
            done();
          });
          next();
        }),
    );
  };
}
