<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureVerdict;
use Somatrace\Core\Response\CourseDecision;
use Somatrace\Core\Response\Gate;
use Somatrace\Core\Response\GoalProgress;
use Somatrace\Core\Response\Helped;
use Somatrace\Core\Response\ResponseResult;

/**
 * Tells a course: from when to when, what changed beyond measuring error and what did not, what was wished, what was done, and what comes
 * next. The client is spoken to in plain words; a referrer is told figures.
 */
final readonly class ProgressWriter
{
    /** Muscles named; of more the rest is counted. */
    private const NAMED = 8;

    public function __construct(private Terms $terms, private bool $toClient)
    {
    }

    /** @param  list<Done>  $today  done in the last visit, which is no history yet */
    public function of(CaseFile $case, ResponseResult $response, array $today): ProgressReport
    {
        $told = array_filter($response->measures, static fn (Measure $one): bool => $one->series !== []);
        $twice = array_values(array_filter($told, static fn (Measure $one): bool => $one->change() !== null && ! $one->isSilent()));
        usort($twice, static fn (Measure $a, Measure $b): int => [! self::isOfTheClient($a), $a->verdict()->rank()]
            <=> [! self::isOfTheClient($b), $b->verdict()->rank()]);
        $once = array_filter(
            $told, static fn (Measure $one): bool => count($one->series) === 1 && ! $one->isSilent() && self::isOfTheClient($one),
        );
        $rows = array_filter($twice, fn (Measure $one): bool => self::isOfTheClient($one) || (! $this->toClient && self::isReal($one)));

        return new ProgressReport(
            $this->summary($case, $response, $twice), array_values(array_map($this->row(...), $rows)),
            self::few(array_values(array_unique(array_map(self::name(...), $once)))),
            array_map($this->goal(...), $response->goals),
            $this->worked($case, $today), $this->helped($response), $this->ahead($response),
        );
    }

    /**
     * @param  list<Measure>  $twice
     * @return list<string>
     */
    private function summary(CaseFile $case, ResponseResult $response, array $twice): array
    {
        $days = [...array_map(static fn (PastVisit $visit): \DateTimeImmutable => $visit->date, $case->history), $case->asOf];
        $many = count($days);
        $span = $many === 1
            ? "once, on {$this->terms->date($days[0])}"
            : ($many === 2 ? 'twice' : "$many times").", from {$this->terms->date($days[0])} to {$this->terms->date($days[$many - 1])}";
        $own = array_filter($twice, self::isOfTheClient(...));

        return array_values(array_filter([
            $this->toClient ? "You were here $span." : "Seen $span.",
            $twice === [] ? 'Nothing was measured twice yet, so nothing can be said of how it goes.' : null,
            self::counted($own, 'Of pain, tasks and movement', 'measure', 'measures'),
            self::counted(array_diff_key($twice, $own), 'Of what was felt in muscles', 'reading', 'readings'),
            $this->course($response),
            $response->contradiction === null ? null : Prose::sentence($response->contradiction->words),
            $this->toClient ? null : Prose::sentence($response->sureness),
        ], static fn (?string $one): bool => $one !== null && $one !== ''));
    }

    /**
     * @param  list<string>  $names
     * @return list<string> what there is room for, and how many more
     */
    private static function few(array $names): array
    {
        $more = count($names) - self::NAMED;

        return $more > 1 ? [...array_slice($names, 0, self::NAMED), "$more more"] : $names;
    }

    /** @param  array<int, Measure>  $all */
    private static function counted(array $all, string $of, string $one, string $many): ?string
    {
        $real = static fn (MeasureVerdict $verdict): int => count(array_filter(
            $all, static fn (Measure $measure): bool => $measure->verdict() === $verdict,
        ));
        $up = $real(MeasureVerdict::Improved);
        $down = $real(MeasureVerdict::Worse);
        $still = count($all) - $up - $down;
        if ($all === []) {
            return null;
        }
        if ($up + $down === 0) {
            $none = count($all) === 1 ? "the one $one" : 'none of '.count($all)." $many";

            return "$of $none taken more than once ".(count($all) === 1 ? 'did not change' : 'changed').' beyond measuring error.';
        }
        $told = Prose::list(array_values(array_filter([
            $up > 0 ? "$up got better" : '', $down > 0 ? "$down got worse" : '',
            $still > 0 ? "$still did not change beyond measuring error" : '',
        ])));

        return "$of, ".count($all).' '.(count($all) === 1 ? $one : $many)." taken more than once: $told.";
    }

    /** Where it hurts, what can be done and how far it moves: what somebody comes for. The rest tells a therapist how to work. */
    private static function isOfTheClient(Measure $one): bool
    {
        return preg_match('/^(complaint|function|range)\./', $one->key) === 1 && ! str_ends_with($one->key, '.pain');
    }

    private static function isReal(Measure $one): bool
    {
        return in_array($one->verdict(), [MeasureVerdict::Improved, MeasureVerdict::Worse], true);
    }

    /** How the course goes on; what a client is told of it and what a colleague is told differ in words, never in sense. */
    private function course(ResponseResult $response): string
    {
        if (! $this->toClient) {
            return Prose::sentence($response->because);
        }

        return match ($response->course) {
            CourseDecision::Refer => 'A doctor should look at it before we go on.',
            CourseDecision::Reassess => 'It has not changed enough. We look at all of it again before we go on as before.',
            CourseDecision::SpaceOut => 'It holds between visits: the next ones may lie further apart.',
            CourseDecision::Discharge => 'What you came for is reached. You need come again only when something returns.',
            CourseDecision::NotEnough => 'It is too early to say how it goes.',
            CourseDecision::Continue => 'It is worth going on.',
        };
    }

    /** @return array{name: string, first: string, last: string, from: string, to: string, words: string, verdict: string} */
    private function row(Measure $one): array
    {
        $figure = fn (float $value): string => $one->unit === 'kPa' ? $this->terms->pressure($value) : Prose::measured($value, $one->unit);
        [$first, $last] = [$one->series[0], $one->series[count($one->series) - 1]];
        $change = (float) $one->change();
        $error = $one->unit === 'kPa' ? $this->terms->pressure($one->mdc) : Prose::apart($one->mdc, $one->unit);

        return [
            'name' => self::name($one), 'first' => $figure($first[1]), 'last' => $figure($last[1]),
            'from' => $this->terms->date(new \DateTimeImmutable($first[0])), 'to' => $this->terms->date(new \DateTimeImmutable($last[0])),
            'words' => match (true) {
                abs($change) < 1e-9 => 'the same',
                $one->verdict() === MeasureVerdict::NoRealChange => "within measuring error ($error)",
                default => ($one->verdict() === MeasureVerdict::Improved ? 'better' : 'worse')
                    .', more than measuring error'.($this->toClient ? '' : " ($error)"),
            },
            'verdict' => $one->verdict()->value,
        ];
    }

    private static function name(Measure $one): string
    {
        $side = $one->side === Side::Midline || preg_match('/\b(left|right)\b/', $one->name) === 1 ? '' : ", {$one->side->value}";

        return ucfirst($one->name).$side;
    }

    private function goal(GoalProgress $one): string
    {
        if ($one->measure === null) {
            return 'A goal was set and never measured: nothing can be said of it.';
        }
        $figure = Prose::measured($one->goal->value, $one->measure->unit);
        $by = $one->goal->by === null ? '' : " by {$this->terms->date($one->goal->by)}";
        $name = self::name($one->measure);

        return match (true) {
            $one->kept > 1 => "$name: $figure$by was wished. Reached, and kept on $one->kept readings in a row.",
            $one->isReached() => "$name: $figure$by was wished. Reached at the last reading.",
            $one->isOverdue => "$name: $figure$by was wished. Not reached in time; {$this->share($one)} of the way.",
            default => "$name: $figure$by is wished. {$this->share($one)} of the way so far.",
        };
    }

    private function share(GoalProgress $one): string
    {
        return round(100 * (float) $one->share).' %';
    }

    /**
     * @param  list<Done>  $today
     * @return list<array{name: string, words: string}>
     */
    private function worked(CaseFile $case, array $today): array
    {
        /** @var array<string, array{at: MuscleAt, visits: int, minutes: float, ways: array<string, true>}> $sums */
        $sums = [];
        foreach ([...array_map(static fn (PastVisit $visit): array => $visit->done, $case->history), $today] as $done) {
            $here = [];
            foreach ($done as $one) {
                $at = new MuscleAt($one->muscle, $one->side);
                $sums[$at->key()] ??= ['at' => $at, 'visits' => 0, 'minutes' => 0.0, 'ways' => []];
                $sums[$at->key()]['visits'] += isset($here[$at->key()]) ? 0 : 1;
                $sums[$at->key()]['minutes'] += $one->minutes;
                if ($one->technique !== null) {
                    $sums[$at->key()]['ways'][$this->terms->technique($one->technique, false)] = true;
                }
                $here[$at->key()] = true;
            }
        }
        uasort($sums, static fn (array $a, array $b): int => [$b['visits'], $b['minutes'], $a['at']->key()]
            <=> [$a['visits'], $a['minutes'], $b['at']->key()]);
        $rows = array_map(fn (array $one): array => [
            'name' => ucfirst($this->terms->muscleOn($one['at']->muscle, $one['at']->side, true)),
            'words' => ($one['visits'] === 1 ? 'on one visit' : "on {$one['visits']} visits")
                .', '.Prose::minutes(60 * $one['minutes']).' in all'
                .($one['ways'] === [] ? '' : ': '.Prose::list(array_keys($one['ways']))),
        ], array_slice(array_values($sums), 0, self::NAMED));
        $more = count($sums) - count($rows);

        return $more > 0
            ? [...$rows, ['name' => $more === 1 ? 'One more muscle' : "$more more muscles", 'words' => 'less than these']]
            : $rows;
    }

    /** @return list<string> */
    private function helped(ResponseResult $response): array
    {
        $sure = array_filter($response->helped, static fn (Helped $one): bool => $one->verdict() !== 'open');

        return array_values(array_map(static fn (Helped $one): string => ucfirst($one->name).': '.lcfirst($one->words()), $sure));
    }

    /** @return list<string> */
    private function ahead(ResponseResult $response): array
    {
        if (in_array($response->course, [CourseDecision::Refer, CourseDecision::Discharge], true)) {
            return [];
        }
        $now = $response->plan->now();
        $open = array_values(array_map(
            static fn (Gate $gate): string => $gate->words,
            array_filter($now->gates, static fn (Gate $gate): bool => $gate->holds !== true),
        ));
        $again = $this->toClient ? 'We look at all of it again on' : 'Re-assessment on';

        return array_values(array_filter([
            $this->toClient ? $now->expect : Prose::sentence("phase of the course: {$now->name}"),
            $open === [] || $this->toClient
                ? null
                : Prose::sentence('before the next phase: '.Prose::list($open)),
            $response->plan->lookAgain === null
                ? null
                : "$again {$this->terms->date($response->plan->lookAgain)}.",
            ...$this->toClient ? [] : $response->plan->ends,
        ]));
    }
}
