<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Safety\When\Conditions;

/**
 * The red flags and the rules over them, from data.
 *
 * @phpstan-type FirstFor array{
 *     near: list<string>, zones: list<string>, qualities: list<string>, situations: list<string>, from_age: int|null
 * }
 */
final readonly class RedFlags
{
    /**
     * @param  array<string, array{ask: string, every_visit: bool, dated: bool, first_for: FirstFor}>  $flags
     * @param  list<FlagRule>  $rules
     * @param  array<string, int>  $freshDays
     */
    private function __construct(public array $flags, public array $rules, public array $freshDays)
    {
    }

    public static function from(Fields $file): self
    {
        $flags = [];
        foreach ($file->list('flags') as $row) {
            $first = $row->fields('first_for');
            $flags[$row->string('id')] = [
                'ask' => $row->string('ask'), 'every_visit' => $row->bool('every_visit'), 'dated' => $row->bool('dated'),
                // what of a complaint, or of whom, it belongs to
                'first_for' => [
                    'near' => $first->strings('near'), 'zones' => $first->strings('zones'), 'qualities' => $first->strings('qualities'),
                    'situations' => $first->strings('situations'), 'from_age' => $first->intOrNull('from_age'),
                ],
            ];
        }
        $rules = $file->map('rules', static fn (Fields $row): FlagRule => new FlagRule(
            $row->string('id'), $row->string('label'), Conditions::from($row->fields('when')), Verdict::from($row->string('verdict')),
            $row->intOrNull('days'),
            $row->map('limits', LimitTemplate::from(...)), $row->string('reason'),
        ));

        return new self($flags, $rules, array_map(static fn (float $days): int => (int) $days, $file->floatMap('fresh_days')));
    }

    public function everyVisit(string $flag): bool
    {
        return $this->flags[$flag]['every_visit'] ?? true;
    }

    /** The part of the answers it belongs to, which has one date. */
    public function part(string $flag): string
    {
        return $this->everyVisit($flag) ? 'red_flags_every_visit' : 'red_flags_other';
    }

    /** For how many days an answer to it stands. */
    public function freshDays(string $flag): int
    {
        return $this->freshDays[$this->part($flag)] ?? 0;
    }
}
