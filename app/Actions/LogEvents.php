<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\Judgements;
use App\Cases\SoundRecords;
use App\Models\Entry;
use App\Models\EntryChange;
use App\Models\EntryKind;
use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Safety\Verdict;

/**
 * Accepts what happened at the table: each event once, in any order, late or twice. What happened is a fact and kept; only work begun or
 * deepened after an answer that forbids it is refused. Consent taken back at the table is taken back in the record from the moment it is
 * here (TableConsent).
 *
 * @phpstan-type Event array{
 *     id: string, type: string, step: string, payload: array<string, mixed>, device: string, number: int, happened_at: string,
 * }
 */
final readonly class LogEvents
{
    private const WORK = ['step_started', 'pass_reached'];

    private const ANSWERS = [
        EntryKind::RedFlag, EntryKind::RedFlagSince, EntryKind::Condition, EntryKind::Medicine, EntryKind::LegSigns, EntryKind::ClotItem,
        EntryKind::GroupAsked, EntryKind::Override,
    ];

    /** A tablet's clock that is ahead by more says nothing. */
    private const AHEAD_MINUTES = 2;

    public function __construct(private Judgements $judgements, private TableConsent $consent, private SoundRecords $sound)
    {
    }

    /**
     * @param  list<Event>  $events  checked already
     * @param  CarbonImmutable|null  $sent  what the tablet's clock said when it sent them: how long ago something was is told even by a
     *        clock that is wrong
     * @return array{kept: list<string>, refused: list<string>, withdrawn: list<string>, unlifted: object} ids that are safely here now,
     *         ids of work that safety forbids, areas that stand as taken back, and the withdrawals no consent has lifted, with their areas
     */
    public function handle(Visit $visit, User $user, array $events, CarbonImmutable $now, ?CarbonImmutable $sent = null): array
    {
        // only work asks what safety says; signs, easing off and the end of a step are kept whatever it says
        $works = array_intersect(self::WORK, array_column($events, 'type')) !== [];
        $forbidden = $works ? $this->forbiddenSince($visit) : null;
        $refused = $forbidden === null ? [] : array_column(array_filter(
            $events,
            fn (array $event): bool => in_array($event['type'], self::WORK, true)
                && $this->moment($event, $now, $sent)->greaterThan($forbidden),
        ), 'id');
        $taken = array_values(array_filter($events, static fn (array $event): bool => ! in_array($event['id'], $refused, true)));
        // what one device sends together came in its order
        usort($taken, static fn (array $a, array $b): int => [$a['device'], $a['number']] <=> [$b['device'], $b['number']]);
        DB::transaction(function () use ($visit, $user, $taken, $now): void {
            $known = array_flip(TreatmentEvent::query()->whereIn('id', array_column($taken, 'id'))->pluck('id')->all());
            foreach ($taken as $event) {
                if (! isset($known[$event['id']])) {
                    $known[$event['id']] = true;
                    $this->keep($visit, $user, $event, $now);
                }
            }
        });

        return [
            'kept' => array_values(
                TreatmentEvent::query()->where('visit_id', $visit->id)->whereIn('id', array_column($taken, 'id'))->pluck('id')->all(),
            ),
            'refused' => $refused,
            ...$this->consent->standing($visit),
        ];
    }

    /** @param  Event  $event */
    private function keep(Visit $visit, User $user, array $event, CarbonImmutable $now): void
    {
        $told = CarbonImmutable::parse($event['happened_at'])->utc();
        $off = $told->greaterThan($now->addMinutes(self::AHEAD_MINUTES)) || $told->lessThan($visit->started_at);
        $kept = TreatmentEvent::query()->create([
            'id' => $event['id'], 'visit_id' => $visit->id, 'user_id' => $user->id, 'type' => $event['type'], 'step' => $event['step'],
            'payload' => $event['payload'],
            'device' => $event['device'], 'number' => $event['number'],
            // what cannot have been is shown with the time of the server, and what the tablet said stays beside it
            'happened_at' => $off ? $now : $told, 'told_at' => $off ? $event['happened_at'] : null, 'received_at' => $now,
            'checked' => $this->sound->mark(),
        ]);
        match ($event['type']) {
            'consent_withdrawn' => $this->consent->withdraw($visit, $user, $kept),
            'consent_given' => $this->consent->give($visit, $user, $kept),
            default => null,
        };
    }

    /**
     * When it was by the server's clock, as far as that can be told.
     *
     * @param  Event  $event
     */
    private function moment(array $event, CarbonImmutable $now, ?CarbonImmutable $sent): CarbonImmutable
    {
        $ago = $sent === null ? 0 : CarbonImmutable::parse($event['happened_at'])->diffInMilliseconds($sent);

        return $now->subMilliseconds(max(0, (int) $ago));
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
}
