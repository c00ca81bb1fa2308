import { ask } from './handlers'

/** Answers a question in the thread it is called in, as it goes over the wire. */
export default function answerInThread({ question, text }: { question: string; text: string }): {
  status: number
  json: string
} {
  const { status, body } = ask(question, text)
  return { status, json: JSON.stringify(body) }
}
