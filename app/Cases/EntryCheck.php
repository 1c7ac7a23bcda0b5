<?php

declare(strict_types=1);

namespace App\Cases;

use Somatrace\Core\CaseFile\CaseSense;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;

/** Checks one entry as the open case format would, so that a visit can never hold what a case file may not. */
final readonly class EntryCheck
{
    private const TEXTS = ['happened', 'advice', 'next_time', 'concern', 'letter'];

    private const LONGEST_TEXT = 5000;

    private const LONGEST_IDENTITY = 160;

    public function __construct(private Clinic $clinic)
    {
    }

    /**
     * @param  string  $today  the day of the visit: nothing is known before it happened
     * @return list<string> what is wrong, in words; empty when nothing is, and when an entry is taken back
     */
    public function faults(EntryKind $kind, string $identity, mixed $payload, bool $licensed, string $today): array
    {
        return $payload === null ? $this->identityFaults($kind, $identity) : [...$this->storedFaults($kind, $identity, $payload, $today), ...$this->decisionFaults($kind, $payload, $licensed, $today)];
    }

    /**
     * What a stored entry cannot be, whoever wrote it.
     *
     * @return list<string>
     */
    public function storedFaults(EntryKind $kind, string $identity, mixed $payload, string $today): array
    {
        $faults = $this->identityFaults($kind, $identity);
        if ($faults !== []) {
            return $faults;
        }
        $part = $kind->schemaPart();
        if ($part === null) {
            return $this->own($kind, $identity, $payload);
        }
        $faults = $this->clinic->schema()->faults($payload === [] ? new \stdClass : json_decode((string) json_encode($payload)), $part);
        if ($faults === []) {
            $faults = (new CaseSense($this->clinic->atlas))->faults(['as_of' => $today, ...$this->within($kind, $payload)]);
        }
        if ($faults === [] && $kind->identityKeys() !== [] && $this->identity($kind, $payload, null) !== $identity) {
            return ['It stands under another name than its own.'];
        }

        return array_map(static fn (Fault $fault): string => ucfirst(self::place($fault->pointer).$fault->message).'.', $faults);
    }

    /** @return array<string, mixed> the part of a case in which such an entry stands */
    private function within(EntryKind $kind, mixed $payload): array
    {
        return match ($kind) {
            EntryKind::Demand => ['demands' => [$payload]],
            EntryKind::Condition => ['health' => ['conditions' => [$payload]]],
            EntryKind::Medicine => ['health' => ['medicines' => [$payload]]],
            EntryKind::Consent => ['consent' => [$payload]],
            EntryKind::Guardian => ['client' => ['guardian' => $payload]],
            EntryKind::Target, EntryKind::Dropped => ['session' => ['targets' => [$payload]]],
            EntryKind::Override => ['overrides' => [$payload]],
            EntryKind::Aftermath => ['history' => [['aftermath' => [$payload]]]],
            EntryKind::Done => ['history' => [['done' => [$payload]]]],
            EntryKind::RedFlag, EntryKind::RedFlagSince, EntryKind::LegSigns, EntryKind::ClotItem, EntryKind::GroupAsked, EntryKind::OthersDenied, EntryKind::School, EntryKind::Positions,
            EntryKind::Text => [],
            default => ['findings' => [$kind->findingsKey() => [$payload]]],
        };
    }

    /** Which field of the entry it is about; the place in the case around it says nothing to anybody here. */
    private static function place(string $pointer): string
    {
        $name = preg_match('#/([a-z_]+)(?:/\d+)?$#', $pointer, $found) === 1 && ! in_array($found[1], ['complaints', 'tests', 'findings'], true) ? str_replace('_', ' ', $found[1]) : '';

        return $name === '' ? '' : "$name: ";
    }

    /** @return list<string> */
    private function identityFaults(EntryKind $kind, string $identity): array
    {
        $named = match ($kind) {
            EntryKind::RedFlag, EntryKind::RedFlagSince => array_keys($this->clinic->rules()->flags->flags),
            EntryKind::ClotItem => array_keys($this->clinic->rules()->clotItems),
            EntryKind::School => array_keys($this->clinic->schools()),
            EntryKind::Text => self::TEXTS,
            EntryKind::GroupAsked => QuestionGroups::ids($this->clinic),
            EntryKind::LegSigns, EntryKind::OthersDenied, EntryKind::Guardian, EntryKind::Positions => [''],
            default => null,
        };

        return match (true) {
            $named !== null && ! in_array($identity, $named, true) => ["\"$identity\" is not asked here."],
            mb_strlen($identity) > self::LONGEST_IDENTITY => ['Too long a name.'],
            default => [],
        };
    }

    /**
     * A written decision counts only from somebody licensed, and only for the day of the visit.
     *
     * @return list<string>
     */
    private function decisionFaults(EntryKind $kind, mixed $payload, bool $licensed, string $today): array
    {
        if ($kind !== EntryKind::Override || ! is_array($payload)) {
            return [];
        }

        return array_values(array_filter([
            $licensed && ($payload['by_licensed'] ?? null) === true ? null : 'Only somebody licensed may decide to treat all the same.',
            ($payload['on'] ?? null) === $today ? null : 'A decision is written on the day of the visit.',
        ]));
    }

    /** @param  array<array-key, mixed>|mixed  $payload */
    public function identity(EntryKind $kind, mixed $payload, ?string $given): string
    {
        $keys = $kind->identityKeys();
        if ($keys === [] || ! is_array($payload)) {
            return (string) $given;
        }
        // the same condition at another place is another entry: its name goes on with the place
        if ($kind === EntryKind::Condition && is_string($payload['condition'] ?? null) && str_starts_with((string) $given, $payload['condition'].':')) {
            return (string) $given;
        }

        return implode(':', array_map(static fn (string $key): string => is_scalar($payload[$key] ?? null) ? (string) $payload[$key] : '', $keys));
    }

    /** @return list<string> */
    private function own(EntryKind $kind, string $identity, mixed $payload): array
    {
        $ok = match ($kind) {
            EntryKind::GroupAsked => $payload === true,
            EntryKind::School => is_string($payload) && $this->clinic->schoolQuestion($payload) === $identity,
            EntryKind::Positions => is_array($payload) && $payload !== [] && array_is_list($payload) && array_filter($payload, is_string(...)) === $payload && array_diff($payload, array_keys($this->clinic->atlas->positions)) === [],
            EntryKind::Text => is_string($payload) && mb_strlen($payload) <= self::LONGEST_TEXT,
            default => false,
        };

        return $ok ? [] : [match ($kind) {
            EntryKind::Text => 'Text of at most '.self::LONGEST_TEXT.' characters, please.',
            EntryKind::Positions => 'At least one position has to stay possible.',
            default => 'This is not one of the choices.',
        }];
    }
}
