/** These packages come without types of their own. */
declare module '@jscad/stl-serializer' {
  export function serialize(
    options: { readonly binary: boolean },
    ...objects: readonly unknown[]
  ): Array<string | ArrayBuffer>;
}
declare module '@jscad/obj-serializer' {
  export function serialize(options: object, ...objects: readonly unknown[]): string[];
}
