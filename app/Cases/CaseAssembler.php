<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Client;
use App\Models\EntryKind;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;

/**
 * Records → case: the only bridge to the core in that direction. Past visits are read as plain rows, not as models:
 * a course of twenty visits is hundreds of entries.
 */
final readonly class CaseAssembler
{
    /** Counted up when the same records make another case than before, so that no judgement of the old one stays. */
    public const EDITION = 13;

    public function __construct(
        private Clinic $clinic,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
        private HandLoad $hands,
        private RunningTreatment $running,
    ) {
    }

    public function of(Visit $visit): CaseFile
    {
        return $this->clinic->reader()->hydrate($this->document($visit));
    }

    /** @return array<string, mixed> the open case format */
    public function document(Visit $visit): array
    {
        $visit->people();
        $earlier = array_values($visit->earlier()->orderBy('number')->get(['id', 'number', 'started_at', 'origin'])->all());
        $elsewhere = array_map(
            static fn (Visit $past): int => $past->id,
            array_filter($earlier, static fn (Visit $past): bool => $past->origin === 'elsewhere'),
        );
        $visits = [...array_map(static fn (Visit $past): int => $past->id, $earlier), $visit->id];
        $this->sound->look($visits);
        $rows = EntryRows::of($visits);
        $today = $rows->ofVisit($visit->id);
        $asOf = $visit->day();

        return array_filter([
            'format' => CaseFile::FORMAT,
            'version' => CaseFile::VERSION,
            'as_of' => $asOf,
            'client' => $this->client($visit->client, $today->first(EntryKind::Guardian)?->payload, $asOf),
            'demands' => array_values(array_map(static fn (EntryRow $row): mixed => $row->payload, $rows->standing(EntryKind::Demand))),
            'goals' => array_values(array_map(static fn (EntryRow $row): mixed => $row->payload, $rows->standing(EntryKind::Goal))),
            'health' => $this->health($rows, $today, $asOf, $elsewhere),
            'consent' => $today->payloads(EntryKind::Consent),
            'findings' => $this->findings($today, 'before'),
            'session' => $this->session($visit, $today),
            'therapist' => $this->therapist($visit),
            'history' => $this->history($earlier, $rows, $visit),
            'overrides' => $today->payloads(EntryKind::Override),
        ], static fn (mixed $part): bool => $part !== []);
    }

    /** @return array<string, mixed> */
    private function client(Client $client, mixed $guardian, string $asOf): array
    {
        return array_filter([
            'age' => max(1, (int) $client->born_on->diffInYears(CarbonImmutable::parse($asOf))),
            'sex' => $client->sex,
            'hand' => $client->hand,
            'mass_kg' => $client->mass_kg,
            'skin' => $client->skin,
            'stoic' => $client->stoic,
            'guardian_consent' => is_array($guardian) ? $guardian['given'] : null,
            'guardian' => $guardian,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /**
     * What was denied elsewhere was denied to somebody else: here it is asked again. What was affirmed stands, wherever it was said.
     *
     * @param  array<array-key, int>  $elsewhere earlier visits that were made elsewhere
     * @return array<string, mixed>
     */
    private function health(EntryRows $rows, EntryRows $today, string $asOf, array $elsewhere): array
    {
        $told = static fn (EntryRow $row): bool => in_array($row->visit, $elsewhere, true);
        $counts = static fn (EntryRow $row): bool => ! $told($row) || ((array) $row->payload)['answer'] !== 'no';
        $flags = $this->clinic->rules()->flags;
        $age = static fn (EntryRow $row): int => intdiv((int) strtotime("$asOf UTC") - (int) strtotime("$row->saidOn UTC"), 86_400);
        $redFlags = [];
        $said = [];
        foreach ($rows->standing(EntryKind::RedFlag) as $id => $row) {
            // each answer carries its own date here; the format knows one date a part, so an old "no" is written as unknown
            $stale = $row->payload === 'no' && ($told($row) || $age($row) > $flags->freshDays($id));
            $redFlags[$id] = $stale ? 'unknown' : $row->payload;
            if ($row->payload === 'no' && ! $stale && ! $flags->everyVisit($id)) {
                $said[] = $row->saidOn;
            }
        }
        $groups = [];
        $denied = $rows->standing(EntryKind::OthersDenied)[''] ?? null;
        if ($denied !== null && $denied->payload === true && ! $told($denied)) {
            $groups = array_fill_keys(array_keys($this->clinic->rules()->groups), $denied->saidOn);
        }
        foreach ($rows->standing(EntryKind::GroupAsked) as $group => $row) {
            if ($row->payload === true && ! $told($row)) {
                $groups[$group] = $row->saidOn;
            }
        }

        return array_filter([
            'red_flags' => $redFlags,
            'conditions' => array_values(array_map(
                static fn (EntryRow $row): array => [...(array) $row->payload, 'on' => $row->saidOn],
                array_filter($rows->standing(EntryKind::Condition), $counts),
            )),
            'medicines' => array_values(array_map(
                static fn (EntryRow $row): mixed => $row->payload, array_filter($rows->standing(EntryKind::Medicine), $counts),
            )),
            'calf_clot_items' => $today->map(EntryKind::ClotItem),
            'leg_signs' => $today->first(EntryKind::LegSigns)?->payload,
            // the oldest "no" that still stands dates them all: the format knows one date a part
            'answered_on' => $said === [] ? [] : ['red_flags_other' => min($said)],
            // the day each group was read out: what was not named in it is denied, for as long as that stays fresh
            'groups_asked' => $groups,
            'red_flag_since' => array_filter(array_map(
                static fn (EntryRow $row): mixed => $row->payload, $rows->standing(EntryKind::RedFlagSince),
            )),
        ], static fn (mixed $part): bool => $part !== [] && $part !== null && $part !== false);
    }

    /** @return array<string, list<mixed>> what was measured again, as the case file writes findings */
    public function findingsAfter(EntryRows $rows): array
    {
        return $this->findings($rows, 'after');
    }

    /** @return array<string, list<mixed>> */
    private function findings(EntryRows $rows, string $phase): array
    {
        $findings = [];
        foreach (EntryKind::cases() as $kind) {
            if ($kind->isFinding()) {
                $findings[$kind->findingsKey()] = $rows->payloads($kind, $phase);
            }
        }

        return array_filter($findings);
    }

    /** @return array<string, mixed> */
    private function session(Visit $visit, EntryRows $today): array
    {
        return array_filter([
            'minutes' => $visit->minutes,
            'positions_possible' => $today->first(EntryKind::Positions)->payload ?? [],
            'targets' => $today->payloads(EntryKind::Target),
            'dropped' => $today->payloads(EntryKind::Dropped),
            'school' => [...$visit->user->school(), ...$today->map(EntryKind::School)],
            ...$this->running->of($visit),
        ], static fn (mixed $part): bool => $part !== []);
    }

    /** @return array<string, mixed> */
    private function therapist(Visit $visit): array
    {
        $user = $visit->user;
        $behind = $this->hands->behind($visit);

        return array_filter([
            'mass_kg' => $user->mass_kg,
            'tools' => $user->tools,
            'experience' => $user->experience,
            'licensed' => $user->licensed,
            'scope_off' => $user->clinic->scope_off,
            'load_today' => $behind['today'],
            'load_week' => $behind['week'],
            'trained' => $this->trained($user),
            'injured' => $user->setting('spared'),
            'prefers' => $user->prefers(),
            'calibration' => $user->calibration(),
            'table_cm' => $user->setting('table_cm'),
            'budgets' => $this->budgets($user),
        ], static fn (mixed $part): bool => $part !== [] && $part !== null);
    }

    /** @return array<string, array<string, float>> as the case file writes them: by a tool of each part of the hand */
    private function budgets(User $user): array
    {
        $tools = $this->clinic->toolOfPart();
        $own = array_intersect_key($user->handBudgets(), $tools);

        return array_combine(array_map(static fn (string $part): string => $tools[$part], array_keys($own)), $own);
    }

    /** @return list<string> all but what they said they are not trained in; empty where that is nothing */
    private function trained(User $user): array
    {
        $not = (array) $user->setting('untrained');

        return $not === [] ? [] : array_values(array_diff(array_keys($this->clinic->atlas()->techniques), $not));
    }

    /**
     * @param  list<Visit>  $earlier
     * @return list<array<string, mixed>>
     */
    private function history(array $earlier, EntryRows $rows, Visit $visit): array
    {
        $ids = array_map(static fn (Visit $past): int => $past->id, $earlier);
        $events = $ids === [] ? [] : TableEvents::rows($ids);
        $done = $ids === [] ? [] : $this->treatment->doneOf($ids, $events);
        $checks = $events === [] ? [] : BetweenChecks::of($ids, $events);
        $history = [];
        foreach ($earlier as $index => $past) {
            $own = $rows->ofVisit($past->id);
            $history[] = array_filter([
                'date' => $visit->user->clinic->day($past->started_at),
                'findings' => $this->findings($own, 'before'),
                'after' => $this->findings($own, 'after'),
                'done' => $done[$past->id] ?? [],
                'checks' => $checks[$past->id] ?? [],
                // how it was afterwards is asked at the next visit and belongs to this one
                'aftermath' => $rows->ofVisit(($earlier[$index + 1] ?? $visit)->id)->payloads(EntryKind::Aftermath),
            ], static fn (mixed $part): bool => $part !== []);
        }

        return $history;
    }
}
