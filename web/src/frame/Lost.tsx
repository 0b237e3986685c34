import { Link, useRouteError } from 'react-router';
import { Failed } from './Waiting.tsx';

export function Lost() {
  return (
    <div className="p-6">
      <h1 className="text-2xl font-semibold">No such page</h1>
      <p className="my-2">
        The address may be old.{' '}
        <Link className="link" to="/">
          Back to the round
        </Link>
      </p>
    </div>
  );
}

/** A screen that could not be drawn at all. */
export function Broken() {
  return <Failed error={useRouteError()} again={() => window.location.reload()} />;
}
