<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;

/** Checks one entry as the open case format would, so that a visit can never hold what a case file may not. */
final readonly class EntryCheck
{
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
        return $payload === null
            ? $this->identityFaults($kind, $identity)
            : [...$this->storedFaults($kind, $identity, $payload, $today), ...$this->decisionFaults($kind, $payload, $licensed, $today)];
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
        $declared = $this->clinic->entries()->of($kind->value);
        $faults = $this->clinic->schemaOf($declared)->faults(
            $payload === [] && ! $declared->isList ? new \stdClass : json_decode((string) json_encode($payload)),
            $declared->partFor($identity),
        );
        if ($faults === []) {
            $faults = $this->clinic->sense()->faults(['as_of' => $today, ...$declared->within($identity, $payload)]);
        }
        if ($faults === [] && $kind->nameOf($payload, $identity) !== $identity) {
            return ['It stands under another name than its own.'];
        }

        return array_map(static fn (Fault $fault): string => ucfirst(self::place($fault->pointer).$fault->message).'.', $faults);
    }

    /** Which field of the entry it is about; the place in the case around it says nothing to anybody here. */
    private static function place(string $pointer): string
    {
        $name = preg_match('#/([a-z_]+)(?:/\d+)?$#', $pointer, $found) === 1
            && ! in_array($found[1], ['complaints', 'tests', 'findings'], true)
            ? str_replace('_', ' ', $found[1])
            : '';

        return $name === '' ? '' : "$name: ";
    }

    /** @return list<string> */
    private function identityFaults(EntryKind $kind, string $identity): array
    {
        $named = $kind === EntryKind::GroupAsked ? QuestionGroups::ids($this->clinic) : $this->clinic->entries()->of($kind->value)->names;

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
}
