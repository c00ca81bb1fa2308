import { millilitres, type Millilitres } from './units'

/**
 * Volumes a household may mean by a cup or a spoon.
 * @see US: 21 CFR 101.9(b)(5)(viii) (240 mL legal cup) and 4 fl oz × 2 (236.6 mL customary cup); metric cup
 * 250 mL (AS 1325); the 180 mL scoop (one gō, 180.39 mL) comes with rice cookers.
 */
export const CUPS = {
  'us-legal': { ml: millilitres(240), name: 'US cup (240 mL)', short: 'cup' },
  'us-customary': { ml: millilitres(236.6), name: 'US cup (236.6 mL)', short: 'cup' },
  metric: { ml: millilitres(250), name: 'metric cup (250 mL)', short: 'cup' },
  scoop: { ml: millilitres(180), name: 'rice-cooker cup (180 mL)', short: 'cup' },
} as const satisfies Record<string, { ml: Millilitres; name: string; short: string }>

export type CupId = keyof typeof CUPS
export const CUP_IDS = Object.keys(CUPS) as CupId[]
