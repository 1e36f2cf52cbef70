/** Reads JSON in lines as they come. */
export async function* jsonLines<T>(stream: ReadableStream<Uint8Array> | null): AsyncGenerator<T> {
  if (!stream) return;
  const reader = stream
    .pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array>)
    .getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = done ? "" : (lines.pop() ?? "");
    for (const line of lines) if (line.trim()) yield JSON.parse(line) as T;
    if (done) return;
  }
}
