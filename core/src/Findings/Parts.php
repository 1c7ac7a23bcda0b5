<?php

declare(strict_types=1);

namespace Somatrace\Core\Findings;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Check;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\OfMuscle;
use Somatrace\Core\CaseFile\PastVisit;

/**
 * A muscle or group that is told as a whole, until somebody tells its parts apart: from then on the parts stand in its place, and what was
 * said of the whole counts for each part that nothing was said of by itself. A case that names no part is as it was before there were any.
 */
final readonly class Parts
{
    public function __construct(private Atlas $atlas)
    {
    }

    /** The case as its parts read it; the same one where none is named. */
    public function resolved(CaseFile $case): CaseFile
    {
        $parts = $this->apart($case);
        if ($parts === []) {
            return $case;
        }

        return new CaseFile(
            $case->asOf, $case->client, $this->findings($case->findings, $parts), $case->health, $case->demands, $case->consent,
            $this->each($case->exposure, $parts), $case->session, $case->therapist,
            array_map(fn (PastVisit $visit): PastVisit => new PastVisit(
                $visit->date, $this->findings($visit->findings, $parts), $this->findings($visit->after, $parts),
                $this->each($visit->done, $parts), $visit->aftermath, $visit->at, array_map(fn (Check $check): Check => new Check(
                    array_merge([], ...array_map(static fn (MuscleAt $at): array => array_map(
                        static fn (string $part): MuscleAt => new MuscleAt($part, $at->side), $parts[$at->muscle] ?? [$at->muscle],
                    ), $check->worked)),
                    $this->findings($check->findings, $parts),
                ), $visit->checks),
            ), $case->history),
            $case->overrides, $case->note, $case->goals,
        );
    }

    /**
     * @param  array<string, list<string>>  $apart  what `apart` says of the case
     * @return array<string, true> muscles that do not stand for themselves in this case: parts nobody named, and wholes told apart
     */
    public function hidden(CaseFile $case, array $apart): array
    {
        $chosen = array_map(static fn (ChosenTarget $one): ?string => $one->muscle, $case->session->targets);
        $hidden = [];
        foreach ($this->atlas->parts() as $whole => $parts) {
            // who chose the whole by hand gets the whole, too
            $hidden += isset($apart[$whole])
                ? (in_array($whole, $chosen, true) ? [] : [$whole => true])
                : array_fill_keys($parts, true);
        }

        return $hidden;
    }

    /** @return array<string, list<string>> the parts of each whole that somebody told apart */
    public function apart(CaseFile $case): array
    {
        $named = [];
        $lists = [$case->session->targets, $case->findings->palpation];
        foreach ($case->history as $visit) {
            array_push($lists, $visit->findings->palpation, $visit->done);
        }
        foreach ($lists as $list) {
            foreach ($list as $one) {
                if (isset($this->atlas->muscles[$one->muscle ?? '']->partOf)) {
                    $named[$this->atlas->muscles[$one->muscle]->partOf] = true;
                }
            }
        }

        return array_intersect_key($this->atlas->parts(), $named);
    }

    /** @param  array<string, list<string>>  $parts */
    private function findings(Findings $findings, array $parts): Findings
    {
        return $findings->withPalpation($this->each($findings->palpation, $parts));
    }

    /**
     * @template T of OfMuscle
     *
     * @param  list<T>  $all
     * @param  array<string, list<string>>  $parts
     * @return list<T>
     */
    private function each(array $all, array $parts): array
    {
        $wholes = array_filter($all, static fn (OfMuscle $one): bool => isset($parts[$one->at()->muscle]));
        if ($wholes === []) {
            return $all;
        }
        $own = array_fill_keys(array_map(static fn (OfMuscle $one): string => $one->at()->key(), $all), true);
        $each = [];
        foreach ($all as $one) {
            $at = $one->at();
            foreach ($parts[$at->muscle] ?? [null] as $part) {
                if ($part === null) {
                    $each[] = $one;
                } elseif (! isset($own[(new MuscleAt($part, $at->side))->key()])) {
                    $each[] = $one->of($part);
                }
            }
        }

        return $each;
    }
}
