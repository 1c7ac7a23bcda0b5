<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;

/**
 * Case → records: the way back over the bridge. What was found on the day of the file becomes a visit of that day, and each past visit one
 * of its own, so that nothing from elsewhere stands as if it had been found today.
 */
final readonly class CaseDisassembler
{
    /** Parts of the format that sum up what the visits say, or describe the day's work: no record here holds them. */
    private const UNKEPT = [
        'exposure' => 'how often each muscle was worked before', 'note' => 'the note of the file',
        'session.done_steps' => 'steps done so far', 'session.now' => 'where the treatment stands',
        'therapist.load_today' => 'the load on the hands that day', 'therapist.injured' => 'what the therapist spares',
        'therapist.table_side' => 'the side of the table',
    ];

    public function __construct(private Clinic $clinic)
    {
    }

    /** @param  array<array-key, mixed>  $case a sound document of the open format */
    public function of(array $case): Brought
    {
        $history = array_values((array) ($case['history'] ?? []));
        usort($history, static fn (array $a, array $b): int => [$a['date'], $a['at'] ?? ''] <=> [$b['date'], $b['at'] ?? '']);
        $visits = [];
        $aftermath = []; // how it was afterwards is asked at the next visit
        foreach ($history as $past) {
            $on = (string) $past['date'];
            $visits[] = new BroughtVisit($on, [
                ...$this->list(EntryKind::Aftermath, $aftermath, $on), ...$this->findings($past['findings'] ?? [], $on, 'before'),
                ...$this->findings($past['after'] ?? [], $on, 'after'), ...$this->list(EntryKind::Done, $past['done'] ?? [], $on),
            ], $past['at'] ?? null);
            $aftermath = $past['aftermath'] ?? [];
        }
        $on = (string) $case['as_of'];
        $visits[] = new BroughtVisit($on, [
            ...$this->list(EntryKind::Aftermath, $aftermath, $on), ...$this->findings($case['findings'] ?? [], $on, 'before'),
            ...$this->list(EntryKind::Demand, $case['demands'] ?? [], $on),
            ...$this->health($this->withBirth($case), $on), ...$this->list(EntryKind::Consent, $case['consent'] ?? [], $on),
            ...$this->list(EntryKind::Override, $case['overrides'] ?? [], $on),
            ...$this->one(EntryKind::Guardian, '', $case['client']['guardian'] ?? null, $on),
            ...$this->session($case['session'] ?? [], $on),
        ], null, $case['session']['minutes'] ?? null);

        return new Brought($visits, $this->unkept($case));
    }

    /**
     * @param  array<string, list<array<string, mixed>>>  $findings
     * @param  'before'|'after'  $phase
     * @return list<BroughtEntry>
     */
    private function findings(array $findings, string $on, string $phase): array
    {
        $entries = [];
        foreach (EntryKind::cases() as $kind) {
            if ($kind->isFinding()) {
                array_push($entries, ...$this->list($kind, $findings[$kind->findingsKey()] ?? [], $on, $phase));
            }
        }

        return $entries;
    }

    /**
     * @param  list<array<string, mixed>>  $payloads
     * @param  'before'|'after'  $phase
     * @return list<BroughtEntry>
     */
    private function list(EntryKind $kind, array $payloads, string $on, string $phase = 'before'): array
    {
        $named = [];
        foreach ($payloads as $index => $payload) {
            $named[$kind->nameAmong($named, $payload, sprintf('%03d', $index))] = $payload;
        }

        return array_map(
            static fn (int|string $name, array $payload): BroughtEntry => new BroughtEntry($kind, $phase, (string) $name, $payload, $on),
            array_keys($named), $named,
        );
    }

    /** @return list<BroughtEntry> none where nothing is told */
    private function one(EntryKind $kind, string $identity, mixed $payload, string $on): array
    {
        return $payload === null ? [] : [new BroughtEntry($kind, 'before', $identity, $payload, $on)];
    }

    /**
     * The format may tell how many weeks ago a birth was; a record holds what follows from it, as an answer with its day.
     *
     * @param  array<array-key, mixed>  $case
     * @return array<string, mixed>
     */
    private function withBirth(array $case): array
    {
        $health = (array) ($case['health'] ?? []);
        $weeks = $case['client']['weeks_since_birth'] ?? null;
        $known = array_column((array) ($health['conditions'] ?? []), 'condition');
        foreach ($weeks === null ? [] : $this->clinic->rules()->conditions as $id => $rule) {
            if ($rule->weeksSinceBirth !== null && $weeks <= $rule->weeksSinceBirth && ! in_array($id, $known, true)) {
                $since = CarbonImmutable::parse((string) $case['as_of'])->subWeeks((int) $weeks)->format('Y-m-d');
                $health['conditions'][] = ['condition' => $id, 'answer' => 'yes', 'since' => $since];
            }
        }

        return $health;
    }

    /**
     * @param  array<string, mixed>  $health
     * @return list<BroughtEntry>
     */
    private function health(array $health, string $on): array
    {
        $flags = $this->clinic->rules()->flags;
        $said = (array) ($health['answered_on'] ?? []);
        $entries = [];
        $denied = ($health['others_denied'] ?? false) === true;
        // the format lets one word deny all danger signs that are not named; a record names each
        $unnamed = $denied ? array_fill_keys(array_keys($flags->flags), 'no') : [];
        foreach ([...$unnamed, ...(array) ($health['red_flags'] ?? [])] as $flag => $answer) {
            $day = $flags->everyVisit((string) $flag) ? $said['red_flags_every_visit'] ?? $on : $said['red_flags_other'] ?? $on;
            $entries[] = new BroughtEntry(EntryKind::RedFlag, 'before', (string) $flag, $answer, $answer === 'no' ? (string) $day : $on);
        }
        $named = [];
        foreach ((array) ($health['conditions'] ?? []) as $one) {
            // the first of a condition goes by its name, a second by name and place: neither is lost
            $id = (string) $one['condition'];
            $at = implode(
                '+', array_map(static fn (array $place): string => "{$place['zone']}-{$place['side']}", (array) ($one['zones'] ?? [])),
            );
            $name = isset($named[$id]) ? "$id:$at" : $id;
            $named[$id] = true;
            $entries[] = new BroughtEntry(
                EntryKind::Condition, 'before', $name, array_diff_key($one, ['on' => true]),
                (string) ($one['on'] ?? $said['conditions'] ?? $on),
            );
        }
        foreach ((array) ($health['medicines'] ?? []) as $one) {
            $entries[] = new BroughtEntry(
                EntryKind::Medicine, 'before', (string) $one['medicine'], $one, (string) ($said['medicines'] ?? $on),
            );
        }
        foreach ((array) ($health['calf_clot_items'] ?? []) as $item => $answer) {
            $entries[] = new BroughtEntry(EntryKind::ClotItem, 'before', (string) $item, $answer, $on);
        }

        foreach ((array) ($health['red_flag_since'] ?? []) as $flag => $since) {
            $entries[] = new BroughtEntry(EntryKind::RedFlagSince, 'before', (string) $flag, (string) $since, $on);
        }
        foreach (
            [
                ...$denied ? array_fill_keys(QuestionGroups::ids($this->clinic), $on) : [], ...(array) ($health['groups_asked'] ?? []),
            ] as $group
                => $day
        ) {
            $entries[] = new BroughtEntry(EntryKind::GroupAsked, 'before', (string) $group, true, (string) $day);
        }

        return [...$entries, ...$this->one(EntryKind::LegSigns, '', $health['leg_signs'] ?? null, $on)];
    }

    /**
     * @param  array<string, mixed>  $session
     * @return list<BroughtEntry>
     */
    private function session(array $session, string $on): array
    {
        $entries = [
            ...$this->one(EntryKind::Positions, '', $session['positions_possible'] ?? null, $on),
            ...$this->list(EntryKind::Target, $session['targets'] ?? [], $on),
            ...$this->list(EntryKind::Dropped, $session['dropped'] ?? [], $on),
        ];
        foreach ((array) ($session['school'] ?? []) as $question => $choice) {
            $entries[] = new BroughtEntry(EntryKind::School, 'before', (string) $question, $choice, $on);
        }

        return $entries;
    }

    /**
     * @param  array<array-key, mixed>  $case
     * @return list<string>
     */
    private function unkept(array $case): array
    {
        return array_values(array_filter(array_map(
            static fn (string $path, string $words): ?string => data_get($case, $path) === null ? null : $words, array_keys(self::UNKEPT),
            self::UNKEPT,
        )));
    }
}
