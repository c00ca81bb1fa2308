import { varietyOf } from '#core/grain/varieties'
import { CUES, type CueId } from '#core/methods/signs'
import { SIGN_WORDS } from '#core/methods/sign-words'
import { htmlOf } from '../../../tests/helpers/render'
import { CuePair } from './sign-pair'

test.each(Object.keys(CUES) as CueId[])(
  '%s is drawn as it is not yet and as it is now, and said in words',
  (cue) => {
    const html = htmlOf(
      <CuePair
        cue={cue}
        variety={varietyOf('brown-short')}
        yet={SIGN_WORDS[cue].yet}
        now={SIGN_WORDS[cue].now}
      />,
    )
    const pictures = [...html.matchAll(/<svg[^>]*>(.*?)<\/svg>/gs)].map((m) =>
      m[1]!.replace(/cue-[a-z]+-(true|false)/g, ''),
    )
    expect(pictures).toHaveLength(2)
    expect(pictures[0]).not.toBe(pictures[1])
    expect(html).toContain(SIGN_WORDS[cue].yet)
    expect(html).toContain(SIGN_WORDS[cue].now)
    expect(html).not.toMatch(/NaN|undefined/)
  },
)
