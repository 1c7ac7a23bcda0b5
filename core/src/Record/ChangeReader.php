<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureBook;
use Somatrace\Core\Measures\MeasureVerdict;

/** What was measured before the work and after it, in one visit. */
final readonly class ChangeReader
{
    public function __construct(private MeasureBook $book, private Terms $terms)
    {
    }

    /** @return list<Change> real changes first, in the order of the measures */
    public function of(CaseFile $case, Findings $after): array
    {
        $within = new CaseFile($case->asOf, $case->client, $after, history: [new PastVisit($case->asOf, $case->findings)]);
        $changes = array_map(
            $this->change(...), array_filter($this->book->of($within), self::says(...)),
        );
        usort($changes, static fn (Change $a, Change $b): int => $a->verdict->rank() <=> $b->verdict->rank());

        return $changes;
    }

    /** Taken twice; what was free of tenderness or pain and stayed so says nothing. */
    private static function says(Measure $one): bool
    {
        return count($one->series) === 2 && ! $one->isSilent();
    }

    private function change(Measure $one): Change
    {
        $figure = fn (float $value): string => $one->unit === 'kPa' ? $this->terms->pressure($value) : Prose::measured($value, $one->unit);
        $change = (float) $one->change();

        return new Change(
            $one->key, $one->name, $one->side, $figure($one->series[0][1]), $figure($one->series[1][1]), $one->verdict(),
            match ($one->verdict()) {
                MeasureVerdict::Improved => 'real, better', MeasureVerdict::Worse => 'real, worse',
                default => abs($change) < 1e-9 ? 'the same' : 'within measuring error',
            },
        );
    }
}
