/** Put in by the build, the same for pages and server; absent where neither was built. */
declare const __BUILD_ID__: string | undefined;

/** Which build this is: a page of another one is told to fetch itself anew. */
export function buildId(): string {
  return typeof __BUILD_ID__ === 'string' ? __BUILD_ID__ : 'unbuilt';
}
