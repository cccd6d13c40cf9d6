type Answer<T> = { ok: true; value: T } | { ok: false; message: string };

/** Post to our own server; a string goes as it is. Whatever goes wrong comes back in words. */
export async function postJson<T = { id: string; renewed: boolean }>(url: string, body: unknown): Promise<Answer<T>> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });
    const value = await response.json();
    return response.ok ? { ok: true, value } : { ok: false, message: value.message };
  } catch {
    return { ok: false, message: 'The server does not answer. Is it running?' };
  }
}
