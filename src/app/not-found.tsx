import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ padding: 48 }}>
      <h1>There is nothing here</h1>
      <p>
        The address names no station of a job. <Link href="/">Back to the jobs</Link>
      </p>
    </main>
  );
}
