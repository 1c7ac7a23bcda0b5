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

    public function __construct(private Clinic $clinic)
    {
    }

    /** @return list<string> what is wrong, in words; empty when nothing is, and when an entry is taken back */
    public function faults(EntryKind $kind, string $identity, mixed $payload, bool $licensed, string $today): array
    {
        return $payload === null ? [] : [...$this->formFaults($kind, $identity, $payload, $today), ...$this->decisionFaults($kind, $payload, $licensed, $today)];
    }

    /** @return list<string> */
    private function formFaults(EntryKind $kind, string $identity, mixed $payload, string $today): array
    {
        $part = $kind->schemaPart();
        if ($part === null) {
            return $this->own($kind, $identity, $payload);
        }
        $named = match ($kind) {
            EntryKind::RedFlag => array_keys($this->clinic->rules()->flags->flags),
            EntryKind::ClotItem => array_keys($this->clinic->rules()->clotItems),
            default => null,
        };
        if ($named !== null && ! in_array($identity, $named, true)) {
            return ["\"$identity\" is not asked here."];
        }
        $faults = $this->clinic->schema()->faults(json_decode((string) json_encode($payload)), $part);
        if ($faults === [] && $kind->isFinding()) {
            $faults = (new CaseSense($this->clinic->atlas))->faults(['as_of' => $today, 'findings' => [$kind->findingsKey() => [$payload]]]);
        }

        return array_map(static fn (Fault $fault): string => ucfirst($fault->message).'.', $faults);
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

        return implode(':', array_map(static fn (string $key): string => is_scalar($payload[$key] ?? null) ? (string) $payload[$key] : '', $keys));
    }

    /** @return list<string> */
    private function own(EntryKind $kind, string $identity, mixed $payload): array
    {
        $ok = match ($kind) {
            EntryKind::OthersDenied => is_bool($payload),
            EntryKind::School => is_string($payload) && $this->clinic->schoolQuestion($payload) === $identity,
            EntryKind::Positions => is_array($payload) && $payload !== [] && array_diff($payload, array_keys($this->clinic->atlas->positions)) === [],
            EntryKind::Text => in_array($identity, self::TEXTS, true) && is_string($payload) && mb_strlen($payload) <= self::LONGEST_TEXT,
            default => false,
        };

        return $ok ? [] : [match ($kind) {
            EntryKind::Text => 'Text of at most '.self::LONGEST_TEXT.' characters, please.',
            EntryKind::Positions => 'At least one position has to stay possible.',
            default => 'This is not one of the choices.',
        }];
    }
}
