/** What a browser calls itself, short enough to be read: the program and the system it runs on. */
export function browserOf(agent: string): string {
  const program = /Edg\//.test(agent)
    ? "Edge"
    : /Firefox\//.test(agent)
      ? "Firefox"
      : /Chrom(e|ium)\//.test(agent)
        ? "Chrome or Chromium"
        : /Safari\//.test(agent)
          ? "Safari"
          : "A program";
  const system = /Android/.test(agent)
    ? "Android"
    : /iPhone|iPad/.test(agent)
      ? "iOS"
      : /Windows/.test(agent)
        ? "Windows"
        : /Mac OS X/.test(agent)
          ? "macOS"
          : /Linux/.test(agent)
            ? "Linux"
            : "";
  return system ? `${program} on ${system}` : program;
}
