import { hash, verify } from "@node-rs/argon2";

/** argon2id with the parameters OWASP recommends as a minimum: 19 MiB, 2 passes, 1 lane. */
const PARAMETERS = { memoryCost: 19456, timeCost: 2, parallelism: 1 } as const;

export const LEAST_PASSWORD = 10;

export const hashPassword = (password: string): Promise<string> => hash(password, PARAMETERS);

/** A hash of nothing anyone knows, so that an unknown address takes as long as a wrong password. */
const NOBODY = hashPassword(crypto.randomUUID());

export async function passwordMatches(password: string, stored: string | undefined): Promise<boolean> {
  const matches = await verify(stored ?? (await NOBODY), password);
  return matches && stored !== undefined;
}
