import { startTransition, StrictMode } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'
import { NonceContext } from './layout/nonce'
import { stepBack, storedDoubled } from './ui/overlay/step-back'

// The attribute is hidden from scripts, the property is not.
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce

window.addEventListener('popstate', (event) => stepBack.heard?.(event))
if (storedDoubled().length > 0)
  void import('./ui/overlay/back-closes').then(
    ({ hearStepBack }) => hearStepBack(),
    () => {},
  )

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <NonceContext value={nonce}>
        <HydratedRouter />
      </NonceContext>
    </StrictMode>,
    // A copy of the plan's page shows the plan it was made of, until the one of its address is drawn.
    document.documentElement.dataset.kept ? { onRecoverableError: () => {} } : {},
  )
})
