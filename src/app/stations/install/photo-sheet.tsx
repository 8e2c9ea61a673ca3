export function PhotoSheet(_props: { readonly onClose: () => void }) {
  return null;
}
