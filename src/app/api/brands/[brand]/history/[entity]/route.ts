import { EntityId } from '@/core/brand/fields';
import { historyOf } from '@/server/changes';
import { allowed, answer } from '@/server/request';

export function GET(_request: Request, { params }: { params: Promise<{ brand: string; entity: string }> }): Promise<Response> {
  return answer(async () => {
    const { brand, entity } = await params;
    await allowed(brand, 'read');
    const history = EntityId.safeParse(entity).success ? await historyOf(brand, entity) : [];
    return Response.json({ history: history.map(({ seq, command, by, at }) => ({ seq, label: command.label, by, at })) });
  });
}
