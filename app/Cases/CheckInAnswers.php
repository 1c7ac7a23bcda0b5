<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Somatrace\Core\Clinic;
use Somatrace\Core\Safety\MedicineRule;

/**
 * What a client may answer before a visit, and what of it becomes part of the record.
 *
 * Shape: `complaints` list of {zone, side, now}; `flags`, `conditions`, `medicines` maps of id to yes or unknown (what is not named in a
 * group that is done is denied); `details` map of a condition to {severity?, stage?, controlled?, weeks_pregnant?}; `done` list of group
 * names; `legs` answer; `after` how it was after the last visit, {soreness_hours?, worse?, home_care_done?} as an aftermath has them.
 */
final readonly class CheckInAnswers
{
    private const MOST_PLACES = 12;

    private const PARTS = ['complaints', 'flags', 'conditions', 'medicines', 'details', 'done', 'legs', 'after'];

    /** Hours after which the rest of an aftermath was looked back on. */
    private const LOOKED_BACK = 48;

    private const DETAILS = [
        'severity' => ['mild', 'moderate', 'severe'], 'stage' => ['acute', 'subacute', 'late', 'settled'],
        'controlled' => ['yes', 'no', 'unknown'],
    ];

    public function __construct(private Clinic $clinic, private EntryCheck $check)
    {
    }

    /** @return list<string> the groups of questions, in the order they are asked */
    public function groups(): array
    {
        return ['today', 'lately', ...array_keys($this->clinic->rules()->groups), 'medicines'];
    }

    /**
     * What of an answer cannot be, in words; empty when it may be kept.
     *
     * @param  array<array-key, mixed>  $answers
     * @return list<string>
     */
    public function faults(array $answers, string $today): array
    {
        $faults = [];
        foreach (array_diff(array_keys($answers), self::PARTS) as $key) {
            $faults[] = "\"$key\" is not asked here.";
        }
        $ids = [
            'flags' => array_keys($this->clinic->rules()->flags->flags), 'conditions' => array_keys($this->clinic->rules()->conditions),
            'medicines' => array_keys($this->clinic->rules()->medicines),
        ];
        foreach ($ids as $part => $known) {
            foreach ($this->map($answers, $part) as $id => $answer) {
                if (! in_array($id, $known, true) || ! in_array($answer, ['yes', 'unknown'], true)) {
                    $faults[] = "$part: \"$id\" cannot be answered like that.";
                }
            }
        }
        foreach ($this->map($answers, 'details') as $id => $details) {
            foreach (is_array($details) ? $details : ['' => null] as $detail => $value) {
                $weeks = $detail === 'weeks_pregnant' && is_int($value) && $value >= 1 && $value <= 43;
                if (! in_array($id, $ids['conditions'], true) || (! $weeks && ! in_array($value, self::DETAILS[$detail] ?? [], true))) {
                    $faults[] = "details: \"$id\" cannot be answered like that.";
                }
            }
        }
        $places = is_array($answers['complaints'] ?? []) ? $answers['complaints'] ?? [] : ['no list'];
        if (count($places) > self::MOST_PLACES) {
            $faults[] = 'complaints: '.self::MOST_PLACES.' places at most.';
        }
        foreach ($places as $place) {
            array_push(
                $faults, ...$this->check->faults(EntryKind::Complaint, EntryKind::Complaint->nameOf($place, null), $place, false, $today),
            );
        }
        if (array_diff(is_array($answers['done'] ?? []) ? $answers['done'] ?? [] : ['no list'], $this->groups()) !== []) {
            $faults[] = 'done: no such group.';
        }
        if (isset($answers['after'])) {
            $after = $this->after($answers);
            array_push($faults, ...$this->check->faults(
                EntryKind::Aftermath, EntryKind::Aftermath->nameOf($after, null), $after, false, $today,
            ));
        }
        if (! in_array($answers['legs'] ?? 'no', ['yes', 'no', 'unknown'], true)) {
            $faults[] = 'legs cannot be answered like that.';
        }

        return $faults;
    }

    /**
     * The same of a check-back: how it was afterwards, and nothing else.
     *
     * @param  array<array-key, mixed>  $answers
     * @return list<string>
     */
    public function faultsBack(array $answers, string $today): array
    {
        $faults = array_map(
            static fn (int|string $key): string => "\"$key\" is not asked here.", array_keys(array_diff_key($answers, ['after' => true])),
        );
        $after = $this->after($answers);

        return [...$faults, ...$this->check->faults(
            EntryKind::Aftermath, EntryKind::Aftermath->nameOf($after, null), $after, false, $today,
        )];
    }

    /**
     * @param  array<array-key, mixed>  $answers
     * @return list<string> what worries of a check-back, in words
     */
    public function worrying(array $answers): array
    {
        $flags = $this->clinic->rules()->flags->flags;
        $said = $this->map($answers, 'after')['worrying'] ?? [];

        return array_values(array_map(
            static fn (mixed $flag): string => rtrim($flags[(string) $flag]['ask'] ?? (string) $flag, '?'), is_array($said) ? $said : [],
        ));
    }

    /**
     * The entries of a visit that these answers make: nothing is denied that was not shown.
     *
     * @param  array<array-key, mixed>  $answers
     * @return list<array{kind: EntryKind, phase: string, identity: string, payload: mixed, seen: int}>
     */
    public function entries(array $answers): array
    {
        $done = is_array($answers['done'] ?? null) ? $answers['done'] : [];
        $entries = [];
        $put = static function (EntryKind $kind, string $identity, mixed $payload) use (&$entries): void {
            $entries[] = ['kind' => $kind, 'phase' => 'before', 'identity' => $identity, 'payload' => $payload, 'seen' => 0];
        };
        foreach (is_array($answers['complaints'] ?? null) ? $answers['complaints'] : [] as $complaint) {
            $put(EntryKind::Complaint, EntryKind::Complaint->nameOf($complaint, null), $complaint);
        }
        $said = $this->map($answers, 'flags');
        foreach ($this->clinic->rules()->flags->flags as $flag => $about) {
            $answer = $said[$flag] ?? (in_array($about['every_visit'] ? 'today' : 'lately', $done, true) ? 'no' : null);
            if ($answer !== null) {
                $put(EntryKind::RedFlag, $flag, $answer);
            }
        }
        $details = $this->map($answers, 'details');
        foreach ($this->map($answers, 'conditions') as $id => $answer) {
            $more = $details[$id] ?? [];
            $put(
                EntryKind::Condition, (string) $id,
                ['condition' => $id, 'answer' => $answer, ...($answer === 'yes' && is_array($more) ? $more : [])],
            );
        }
        foreach ($this->map($answers, 'medicines') as $id => $answer) {
            $put(EntryKind::Medicine, (string) $id, ['medicine' => $id, 'answer' => $answer]);
        }
        if ($this->map($answers, 'after') !== []) {
            $after = $this->after($answers);
            $put(EntryKind::Aftermath, EntryKind::Aftermath->nameOf($after, null), $after);
        }
        if (isset($answers['legs'])) {
            $put(EntryKind::LegSigns, '', $answers['legs']);
        }
        // here medicines are a page of their own; as one group with allergies they are asked when both were
        $read = in_array('medicines', $done, true) ? $done : array_diff($done, ['allergies_medicines']);
        foreach (array_diff(array_intersect($this->groups(), $read), ['medicines']) as $group) {
            $put(EntryKind::GroupAsked, match ($group) {
                'today' => 'red_flags_every_visit',
                'lately' => 'red_flags_other',
                default => $group,
            }, true);
        }

        return $entries;
    }

    /**
     * What a therapist reads first: all that was answered yes or left open, in words.
     *
     * @param  array<array-key, mixed>  $answers
     * @return list<array{answer: string, words: string}> yes first
     */
    public function raised(array $answers): array
    {
        $rules = $this->clinic->rules();
        $words = [
            'flags' => array_map(static fn (array $flag): string => $flag['ask'], $rules->flags->flags),
            'conditions' => array_map(static fn ($rule): string => ucfirst($rule->label), $rules->conditions),
            'medicines' => array_map(static fn (MedicineRule $medicine): string => ucfirst($medicine->label), $rules->medicines),
        ];
        $raised = [];
        foreach ($words as $part => $names) {
            foreach ($this->map($answers, $part) as $id => $answer) {
                $raised[] = ['answer' => (string) $answer, 'words' => $names[$id] ?? (string) $id];
            }
        }
        if (($answers['legs'] ?? 'no') !== 'no') {
            $raised[] = ['answer' => (string) $answers['legs'], 'words' => 'A change in a calf'];
        }
        usort($raised, static fn (array $a, array $b): int => $b['answer'] <=> $a['answer']);

        return $raised;
    }

    /**
     * @param  array<array-key, mixed>  $answers
     * @return array<array-key, mixed> an aftermath as the record has it: a longer soreness was looked back on later
     */
    private function after(array $answers): array
    {
        $said = $this->map($answers, 'after');
        $sore = $said['soreness_hours'] ?? null;

        return [
            'hours' => max(self::LOOKED_BACK, is_int($sore) ? $sore : 0), ...$said, ...$sore === 0 ? ['soreness' => 0] : [],
        ];
    }

    /**
     * @param  array<array-key, mixed>  $answers
     * @return array<array-key, mixed>
     */
    private function map(array $answers, string $part): array
    {
        return is_array($answers[$part] ?? null) ? $answers[$part] : [];
    }
}
