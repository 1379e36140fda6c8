import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ padding: 48 }}>
      <h1>There is nothing here</h1>
      <p>
        The address may be mistyped, or the brand is not yours to see. <Link href="/">Go to your brand</Link>.
      </p>
    </main>
  );
}
