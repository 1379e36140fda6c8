'use client';

/** What stands in place of a page that could not be shown, such as when a part of it cannot be fetched. */
export default function Failed() {
  return (
    <main style={{ padding: 48 }}>
      <h1>This page could not be shown</h1>
      <p>
        What you have done is kept. <button onClick={() => location.reload()}>Load it again</button>
      </p>
    </main>
  );
}
