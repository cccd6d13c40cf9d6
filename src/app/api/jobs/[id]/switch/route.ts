import { refuse } from '@/core/base/text/refusal';
import { AskSwitch } from '@/core/exchange/wire/switches';
import { readJson } from '@/server/answer';
import { askSwitch } from '@/server/askSwitch';
import { route } from '@/server/door';
import { isSimulated, offersSimulated } from '@/server/simulatedSwitches';
import { ownersList } from '@/server/switchList';

/** Which switches may be asked from here. */
export const GET = route('work', async () => ({ listed: ownersList().entries, simulated: offersSimulated() }));

/** Ask a switch, read only. */
export const POST = route('work', async ({ request }) => {
  const given = await readJson(request, AskSwitch);
  if (!isSimulated(given.address, given.port) && !ownersList().allows(given.address))
    refuse(
      'not-listed',
      `${given.address} is not on the list of switches that may be asked: whoever runs the program names them in SHELF_SWITCHES.`,
      'address',
    );
  return askSwitch(given);
});
