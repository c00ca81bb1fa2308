/**
 * Workers have twenty ports each: the first is their household's, the others are for the households of single
 * tests.
 */
const FIRST = Number(process.env.E2E_PORT ?? '4873')
const EACH = 20

const own = FIRST + EACH * Number(process.env.TEST_PARALLEL_INDEX ?? '0')
export const HOUSEHOLD_PORT = own
/** @param n 1 to 19, one for each test that keeps a server of its own */
export const portBeside = (n: number): number => own + n
