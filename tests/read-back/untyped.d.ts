/** Packages without types of their own: only what the tests ask of them. */
declare module 'gltf-validator' {
  export function validateBytes(bytes: Uint8Array): Promise<{ issues: { messages: { severity: number; message: string }[] } }>;
}
declare module 'fengari' {
  type State = object;
  const fengari: {
    lua: { lua_tostring(state: State, at: number): Uint8Array };
    lauxlib: { luaL_newstate(): State; luaL_dostring(state: State, source: Uint8Array): number };
    lualib: { luaL_openlibs(state: State): void };
    to_luastring(text: string): Uint8Array;
    to_jsstring(bytes: Uint8Array): string;
  };
  export default fengari;
}
