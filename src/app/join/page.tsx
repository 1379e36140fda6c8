import { Joining } from '@/ui/entrance/joining';

/** Where the link of an invitation leads; its secret stands behind the # and never reaches the server as an address. */
export default function JoinPage() {
  return <Joining />;
}
