import { decimalMarkOf, type DecimalMark } from '#core/units/decimal-mark'

/** How who asks writes a number's decimals: by the browser's language. */
export const decimalMarkFor = (request: Request): DecimalMark =>
  decimalMarkOf(request.headers.get('accept-language'))
