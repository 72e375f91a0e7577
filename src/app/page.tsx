import { redirect } from 'next/navigation';

export default function Front() {
  redirect('/today');
}
