import { Lost } from '@/ui/lost';

export default function NotFound() {
  return <Lost title="There is nothing here" words="The address may be mistyped, or what stood here was put away." />;
}
