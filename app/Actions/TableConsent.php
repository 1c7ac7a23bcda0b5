<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Database\Eloquent\Builder;

/**
 * Consent as it is taken back and given at the table. A withdrawal counts from the moment it is here, whatever any clock says. Only a
 * consent that came in later, and that was given after its room had shown the withdrawal, lifts it: given on the same device with a later
 * number, or naming what it lifts. Whoever agrees in the record must have seen the revision the withdrawal led to, which SaveEntry sees to.
 */
final readonly class TableConsent
{
    public function __construct(private SaveEntry $save)
    {
    }

    public function withdraw(Visit $visit, User $user, TreatmentEvent $event): void
    {
        $this->write($visit, $user, $event, false);
    }

    public function give(Visit $visit, User $user, TreatmentEvent $event): void
    {
        $area = (string) $event->payload['area'];
        $lifts = array_filter((array) ($event->payload['lifts'] ?? []), is_string(...));
        $seen = (int) ($event->payload['seen'] ?? 0);
        $standing = $this->unlifted($visit)->where('payload->area', $area)->get();
        $shown = $standing->filter(
            static fn (TreatmentEvent $one): bool => in_array($one->id, $lifts, true)
                || ($one->device !== null && $one->device === $event->device && $one->number < $event->number)
                || ($one->entry_revision !== null && $one->entry_revision <= $seen),
        );
        $entry = $this->entry($visit, $area);
        $read = max($seen, (int) $shown->max('entry_revision'));
        // somebody took it back where this room had not seen it yet
        if (
            $shown->count() < $standing->count()
                || ($entry !== null && is_array($entry->payload) && $entry->payload['given'] !== true && $entry->revision > $read)
        ) {
            return;
        }
        TreatmentEvent::query()->whereIn('seq', $standing->pluck('seq'))->update(['lifted_by' => $event->id]);
        $this->write($visit, $user, $event, true);
    }

    /**
     * @return array{withdrawn: list<string>, unlifted: object} areas that stand as taken back; withdrawals at the table that no consent has
     * lifted, with their areas
     */
    public function standing(Visit $visit): array
    {
        $back = Entry::query()
            ->where(['visit_id' => $visit->id, 'phase' => 'before', 'kind' => EntryKind::Consent])
            ->whereNull('fault')
            ->get()
            ->filter(static fn (Entry $entry): bool => is_array($entry->payload) && ($entry->payload['given'] ?? null) === false);
        $unlifted = $this->unlifted($visit)
            ->get(['id', 'payload'])
            ->mapWithKeys(static fn (TreatmentEvent $one): array => [$one->id => (string) $one->payload['area']])
            ->all();

        return [
            'withdrawn' => array_values(array_unique([
                ...$back->map(static fn (Entry $entry): string => $entry->identity)->all(), ...array_values($unlifted),
            ])),
            'unlifted' => (object) $unlifted,
        ];
    }

    /** @return Builder<TreatmentEvent> */
    private function unlifted(Visit $visit): Builder
    {
        return TreatmentEvent::query()
            ->where(['visit_id' => $visit->id, 'type' => 'consent_withdrawn'])
            ->whereNull('lifted_by')
            ->whereNull('fault');
    }

    private function entry(Visit $visit, string $area): ?Entry
    {
        return Entry::query()->where(['visit_id' => $visit->id, 'phase' => 'before', 'kind' => EntryKind::Consent, 'identity' => $area])
            ->first();
    }

    private function write(Visit $visit, User $user, TreatmentEvent $event, bool $given): void
    {
        $area = (string) $event->payload['area'];
        $payload = [
            'area' => $area, 'given' => $given, 'said' => $given ? 'Agreed again at the table.' : 'Taken back at the table.',
            'asked_at' => $event->happened_at->toIso8601ZuluString(),
        ];
        $saved = $this->save->handle(
            $visit, $user, EntryKind::Consent, 'before', $area, $payload, $this->entry($visit, $area)->revision ?? 0, $visit->day(),
        );
        $event->update(['entry_revision' => $saved->entry->revision]);
    }
}
