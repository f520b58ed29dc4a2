import { closeDatabase, database } from "../db/connect";
import { migrate } from "../db/migrate";

/** Brings the database of DATABASE_URL to the newest shape, and ends. */
await migrate(database());
await closeDatabase();
