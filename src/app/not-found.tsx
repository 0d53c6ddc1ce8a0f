import { NoSuchPage } from '@/features/shared/no-such-page';

export default function NotFound() {
  return (
    <main>
      <NoSuchPage />
    </main>
  );
}
