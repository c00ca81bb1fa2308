/** Numbers that know their unit, so that grams never stand where millilitres are meant. */
declare const unit: unique symbol
export type Quantity<U extends string> = number & { readonly [unit]: U }

export type Grams = Quantity<'g'>
export type Millilitres = Quantity<'ml'>
export type Millimetres = Quantity<'mm'>
export type Metres = Quantity<'m'>
export type Celsius = Quantity<'°C'>
export type Pascals = Quantity<'Pa'>

export const grams = (n: number) => n as Grams
export const millilitres = (n: number) => n as Millilitres
export const millimetres = (n: number) => n as Millimetres
export const metres = (n: number) => n as Metres
export const celsius = (n: number) => n as Celsius
export const pascals = (n: number) => n as Pascals
