<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\EntryKind;
use App\Cases\Judgements;
use App\Models\Entry;
use App\Models\EntryChange;
use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Safety\Verdict;

/**
 * Accepts what happened at the table: each event once, in any order, late or twice. What happened is a fact and kept; only work begun or deepened
 * after an answer that forbids it is refused. Consent taken back at the table is consent taken back in the record.
 */
final readonly class LogEvents
{
    private const WORK = ['step_started', 'pass_reached'];

    private const ANSWERS = [EntryKind::RedFlag, EntryKind::Condition, EntryKind::Medicine, EntryKind::LegSigns, EntryKind::ClotItem, EntryKind::OthersDenied, EntryKind::Override];

    public function __construct(private Judgements $judgements, private SaveEntry $save)
    {
    }

    /**
     * @param  list<array{id: string, type: string, step: string, payload: array<string, mixed>, happened_at: string}>  $events
     * @return array{kept: list<string>, refused: list<string>} ids that are safely here now, and those of work that safety forbids
     */
    public function handle(Visit $visit, User $user, array $events, CarbonImmutable $now): array
    {
        // only work asks what safety says; signs, easing off and the end of a step are kept whatever it says
        $works = array_intersect(self::WORK, array_column($events, 'type')) !== [];
        $forbidden = $works ? $this->forbiddenSince($visit) : null;
        $refused = $forbidden === null ? [] : array_values(array_filter(
            $events,
            static fn (array $event): bool => in_array($event['type'], self::WORK, true) && CarbonImmutable::parse($event['happened_at'])->greaterThan($forbidden),
        ));
        $taken = array_values(array_filter($events, static fn (array $event): bool => ! in_array($event['id'], array_column($refused, 'id'), true)));
        $rows = array_map(static fn (array $event): array => [
            'id' => $event['id'], 'visit_id' => $visit->id, 'user_id' => $user->id, 'type' => $event['type'], 'step' => $event['step'],
            'payload' => json_encode($event['payload'] === [] ? new \stdClass : $event['payload'], JSON_THROW_ON_ERROR),
            'happened_at' => CarbonImmutable::parse($event['happened_at'])->utc()->format('Y-m-d H:i:s.v'),
            'received_at' => $now->format('Y-m-d H:i:s.v'),
        ], $taken);
        DB::transaction(function () use ($visit, $user, $rows, $taken): void {
            TreatmentEvent::query()->insertOrIgnore($rows);
            $this->keepConsent($visit, $user, $taken);
        });

        return [
            'kept' => array_values(TreatmentEvent::query()->where('visit_id', $visit->id)->whereIn('id', array_column($taken, 'id'))->pluck('id')->all()),
            'refused' => array_column($refused, 'id'),
        ];
    }

    /** @return array<string, mixed> */
    private function consentAtTheTable(string $area, ?TreatmentEvent $last): array
    {
        $given = $last?->type === 'consent_given';

        return array_filter([
            'area' => $area, 'given' => $given, 'said' => $given ? 'Agreed again at the table.' : 'Taken back at the table.', 'asked_at' => $last?->happened_at->toIso8601ZuluString(),
        ], static fn (mixed $part): bool => $part !== null);
    }

    /** Since when the answers forbid work; null while they do not. */
    private function forbiddenSince(Visit $visit): ?CarbonImmutable
    {
        if (Verdict::from((string) $this->judgements->of($visit, 'safety')['safety']['verdict'])->allowsTreatment()) {
            return null;
        }
        $entries = Entry::query()->where('visit_id', $visit->id)->whereIn('kind', self::ANSWERS)->pluck('id');
        $last = EntryChange::query()->whereIn('entry_id', $entries)->max('created_at');

        return is_string($last) ? CarbonImmutable::parse($last) : $visit->started_at;
    }

    /**
     * The last word on an area counts, whatever order the events arrive in.
     *
     * @param  list<array{id: string, type: string, step: string, payload: array<string, mixed>, happened_at: string}>  $events
     */
    private function keepConsent(Visit $visit, User $user, array $events): void
    {
        $areas = array_unique(array_map(static fn (array $event): string => (string) ($event['payload']['area'] ?? ''), array_filter($events, static fn (array $event): bool => str_starts_with($event['type'], 'consent_'))));
        foreach ($areas as $area) {
            $last = TreatmentEvent::query()->where('visit_id', $visit->id)->whereIn('type', ['consent_withdrawn', 'consent_given'])->where('payload->area', $area)->orderByDesc('happened_at')->orderByDesc('id')->first();
            $entry = Entry::query()->where(['visit_id' => $visit->id, 'phase' => 'before', 'kind' => EntryKind::Consent, 'identity' => $area])->first();
            $this->save->handle($visit, $user, EntryKind::Consent, 'before', $area, $this->consentAtTheTable($area, $last), $entry->revision ?? 0, $visit->day());
        }
    }
}
