import { createContext, useContext } from 'react'

/** The nonce of this page's Content-Security-Policy; undefined in development, where there is none. */
export const NonceContext = createContext<string | undefined>(undefined)
export const useNonce = () => useContext(NonceContext)
