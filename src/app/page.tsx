export default function P() {
  return <p>hi</p>;
}
