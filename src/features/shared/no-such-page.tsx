import { useTranslations } from 'next-intl';
import { Link } from '@/ui/link';
import { Button } from '@/ui/button';

/** What stands at an address where nothing is. */
export const NoSuchPage = () => {
  const t = useTranslations();
  return (
    <div className="mx-auto grid max-w-xl gap-4 px-5 py-20">
      <h1>{t('shared.noSuchPage.pageNotFound')}</h1>
      <p className="text-[1.0625rem] text-ink2">{t('shared.noSuchPage.thereIsNoPageStudent')}</p>
      <div>
        <Button asChild kind="primary">
          <Link href="/">{t('shared.noSuchPage.goToToday')}</Link>
        </Button>
      </div>
    </div>
  );
};
