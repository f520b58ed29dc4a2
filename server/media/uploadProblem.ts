import { Refusal } from "../../core/refusal";

/** Something wrong with a file that a person brought, said so that they can mend it. Never a fault of ours. */
export class UploadProblem extends Refusal {}
