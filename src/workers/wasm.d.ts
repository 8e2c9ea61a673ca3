declare module 'highs/runtime?url' {
  const address: string;
  export default address;
}
