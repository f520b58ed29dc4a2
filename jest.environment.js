import vm from "node:vm";
import { TestEnvironment } from "jest-environment-node";

/**
 * Node's environment in a context whose globals are its own. The usual one asks an interceptor for `Math` and all other
 * globals at every use, which makes code that counts pixels eleven times slower than it is.
 */
export default class PlainEnvironment extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    const usual = this.global;
    const plain = vm.createContext(vm.constants.DONT_CONTEXTIFY);
    for (const key of Reflect.ownKeys(usual))
      if (!Object.hasOwn(plain, key)) Object.defineProperty(plain, key, handedOn(usual, key));
    // Bytes that Node makes are of the constructors that tests see, as in the usual environment.
    plain.ArrayBuffer = usual.ArrayBuffer;
    plain.Uint8Array = usual.Uint8Array;
    plain.global = plain;
    plain.Error.stackTraceLimit = usual.Error.stackTraceLimit;
    const { projectConfig } = config;
    const { moduleMocker, fakeTimersModern } = this;
    this.context = plain;
    this.global = plain;
    this.moduleMocker = new moduleMocker.constructor(plain);
    this.fakeTimersModern = new fakeTimersModern.constructor({ config: projectConfig, global: plain });
  }
}

/** A global of the usual context as one of another. What Node loads when it is first asked for stays so, until it is set. */
function handedOn(usual, key) {
  const own = Object.getOwnPropertyDescriptor(usual, key);
  if (!own.get || !own.configurable) return own;
  const { enumerable } = own;
  return {
    configurable: true,
    enumerable,
    get: () => usual[key],
    set(value) {
      Object.defineProperty(this, key, { configurable: true, enumerable, writable: true, value });
    },
  };
}
