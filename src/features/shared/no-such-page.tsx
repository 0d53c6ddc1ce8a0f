import { Link } from '@/ui/link';
import { Button } from '@/ui/button';

/** What stands at an address where nothing is. */
export const NoSuchPage = () => (
  <div className="mx-auto grid max-w-xl gap-4 px-5 py-20">
    <h1>Page not found</h1>
    <p className="text-[1.0625rem] text-ink2">
      There is no page, student, drill or session at this address. It may have been removed, or the
      address may be mistyped.
    </p>
    <div>
      <Button asChild kind="primary">
        <Link href="/">Go to Today</Link>
      </Button>
    </div>
  </div>
);
