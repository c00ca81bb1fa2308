/** The form that came with a request.  @throws {Response} 415 in words, for a body that is none */
export async function formOf(request: Request): Promise<FormData> {
  try {
    return await request.formData()
  } catch {
    const type = request.headers.get('content-type')?.split(';')[0]?.slice(0, 60) ?? 'nothing'
    throw new Response(`Expected form data, got ${type}.`, { status: 415 })
  }
}
