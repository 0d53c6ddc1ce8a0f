// Within the places, which have their own main part.
export { NoSuchPage as default } from '@/features/shared/no-such-page';
