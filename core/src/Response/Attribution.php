<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Check;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Measures\MeasureBook;

/**
 * Which work a change came after. Within a visit what is measured again tells: what was worked since the reading before has the credit, and
 * the blame. Where several were worked between two readings, each observation counts for its part.
 */
final readonly class Attribution
{
    /** Measures that may change from one minute to the next: pain and movement. A task is not done on a table. */
    private const TELLING = '/^(complaint|range)\./';

    private MeasureBook $book;

    public function __construct(Atlas $atlas, ResponseFigures $figures)
    {
        $this->book = new MeasureBook($atlas, $figures->measures);
    }

    /** @return list<Credit> oldest first */
    public function of(CaseFile $case): array
    {
        return array_merge([], ...array_map($this->ofVisit(...), $case->history));
    }

    /** @return list<Credit> */
    private function ofVisit(PastVisit $visit): array
    {
        $done = $this->done($visit);
        $checked = array_merge([], ...array_map(
            static fn (Check $check): array => array_map(static fn (MuscleAt $at): string => $at->key(), $check->worked), $visit->checks,
        ));
        $points = [
            ...array_map(
                static fn (Check $check): array => [
                    array_map(static fn (MuscleAt $at): string => $at->key(), $check->worked), $check->findings,
                ],
                $visit->checks,
            ),
            // the end of the visit comes after all that no reading came between
            [array_values(array_diff(array_keys($done), $checked)), $visit->after],
        ];
        $last = $this->book->readings($visit->findings);
        $since = array_fill_keys(array_keys($last), []);
        $credits = [];
        $end = count($points) - 1;
        $again = [];
        foreach ($points as $index => [$worked, $findings]) {
            foreach ($since as $key => $before) {
                $since[$key] = array_values(array_unique([...$before, ...$worked]));
            }
            foreach ($this->book->readings($findings) as $key => $now) {
                // what stands at the end is the last reading: it was not taken anew because more was worked since
                if ($index === $end && isset($again[$key]) && $again[$key] === $now->series[0][1]) {
                    continue;
                }
                $again[$key] = $now->series[0][1];
                $then = $last[$key] ?? null;
                if ($then !== null && preg_match(self::TELLING, $now->key) === 1) {
                    $difference = $now->series[0][1] - $then->series[0][1];
                    $change = abs($difference) / $then->mdc * ($now->isBetter($difference) ? 1 : -1);
                    $did = array_values(array_intersect_key($done, array_flip($since[$key])));
                    foreach ($did as $one) {
                        $credits[] = new Credit($visit->date, $one, $key, $difference === 0.0 ? 0.0 : $change, count($did));
                    }
                }
                [$last[$key], $since[$key]] = [$now, []];
            }
        }

        return $credits;
    }

    /** @return array<string, Done> what was worked, by muscle and side; of one worked twice the deeper */
    private function done(PastVisit $visit): array
    {
        $done = [];
        foreach ($visit->done as $one) {
            $key = $one->at()->key();
            if (! isset($done[$key]) || $done[$key]->maxPressure < $one->maxPressure) {
                $done[$key] = $one;
            }
        }
        ksort($done);

        return $done;
    }
}
