<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Session;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\Ceiling;
use Somatrace\Core\Handwork\Composition;
use Somatrace\Core\Handwork\Felt;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\School;
use Somatrace\Core\Handwork\Situation;
use Somatrace\Core\Handwork\Size;
use Somatrace\Core\Handwork\Work;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Pattern\TriggerPoint;
use Somatrace\Core\Pattern\Weighing;
use Somatrace\Core\Planning\Option;
use Somatrace\Core\Planning\Solver;
use Somatrace\Core\Planning\Target;
use Somatrace\Core\Planning\TimeBudget;
use Somatrace\Core\Tests\Support\Core;

/**
 * The solver against every plan there is, where that can be counted out: on some problems here, on 300 by
 * PROBLEMS=300 vendor/bin/phpunit core/tests/Planning/SolverTest.php.
 */
final class SolverTest extends TestCase
{
    private const FAMILIES = ['prone', 'supine', 'side_left'];

    #[DataProvider('problems')]
    public function test_it_is_within_two_percent_of_the_best_of_all_plans(int $seed): void
    {
        mt_srand($seed);
        $figures = PlanFigures::load(dirname(__DIR__, 2).'/data');
        $school = School::of(new Session, $figures);
        $clock = new TimeBudget($figures, [30, 45, 60][mt_rand(0, 2)] * TimeBudget::PER_MINUTE);
        $targets = $this->targets($figures, mt_rand(3, 5));
        $solver = new Solver($figures, $school, $clock);
        $found = $solver->solve($targets, 0);
        $best = $this->best($targets, $figures, $clock, $solver);
        mt_srand();

        self::assertGreaterThanOrEqual(0.98 * $best, $found->benefit);
        self::assertLessThanOrEqual($best + 1e-9, $found->benefit, 'nothing is better than the best');
    }

    /** @return iterable<string, array{int}> */
    public static function problems(): iterable
    {
        for ($seed = 1; $seed <= (int) (getenv('PROBLEMS') ?: 20); $seed++) {
            yield "problem $seed" => [$seed];
        }
    }

    /** @return list<Target> */
    private function targets(PlanFigures $figures, int $count): array
    {
        $atlas = Core::clinic()->atlas();
        $targets = [];
        foreach (array_rand($atlas->muscles, $count) as $id) {
            $muscle = $atlas->muscle($id);
            $at = new MuscleAt($muscle->id, Side::Right);
            $options = [];
            foreach (self::FAMILIES as $preference => $family) {
                if ($options === [] || mt_rand(0, 1) === 1) {
                    $seconds = mt_rand(40, 120);
                    $options[$family] = new Option(
                        $family, $family, [], array_combine(
                            array_column(Size::cases(), 'value'),
                            array_map(
                                fn (Size $size, int $times): Composition => $this->made($size, $seconds * $times), Size::cases(), [1, 2, 4],
                            ),
                        ), $preference, true, [], [],
                    );
                }
            }
            $nothing = (new Weighing(Core::clinic()->figures()))->weigh([]);
            $candidate = new Candidate($at, $muscle->name, 1, 0.2, 'some', Role::Unclear, TriggerPoint::Unknown, $nothing);
            $work = new Work($at, $muscle, Situation::Taut, Felt::nothing(), ['belly'], 1);
            $targets[] = Target::muscle(
                $work, $candidate, mt_rand(5, 60) / 100, $figures->tau($muscle->tissue), $figures->region($muscle->zones[0] ?? ''),
                $options,
                false, 0,
            );
        }

        return $targets;
    }

    private function made(Size $size, int $seconds): Composition
    {
        $ceiling = Ceiling::lowestOf(new Cap(mt_rand(3, 8), 'test', 'a test'));

        return new Composition($size, [
            new Manoeuvre(
                'line', 'stripping', 'along', [], [], 'belly', null, 'fist', '', '', null, null, 'none', null, null, 1, $seconds, $ceiling,
                $ceiling->felt, '', [], null, '',
            ),
        ], 1.15);
    }

    /** @param  list<Target>  $targets */
    private function best(array $targets, PlanFigures $figures, TimeBudget $clock, Solver $solver): float
    {
        $weights = array_sum(array_map(static fn (Target $target): float => $target->weight, $targets));
        $best = 0.0;
        foreach ($this->choices($targets) as $choice) {
            [$regions, $families, $cost, $gain] = [[], [], 0, 0.0];
            foreach ($choice as $index => [$option, $composition]) {
                $families[$option->family] = true;
                $regions[$option->family.$targets[$index]->region] = true;
                $cost += $clock->cost($option, $composition, $solver->otherSideToo($targets[$index]));
                $gain += $targets[$index]->benefit($composition->minutes());
            }
            if (
                $choice !== [] && $cost + count($regions) * $clock->region <= $clock->forWork(array_map(strval(...), array_keys($families)))
            ) {
                $best = max($best, $gain - $figures->turnCost * $weights * (count($families) - 1));
            }
        }

        return $best;
    }

    /**
     * @param  list<Target>  $targets
     * @return list<array<int, array{Option, Composition}>>
     */
    private function choices(array $targets): array
    {
        $choices = [[]];
        foreach ($targets as $index => $target) {
            $next = $choices;
            foreach ($choices as $choice) {
                foreach ($target->options as $option) {
                    foreach ($option->compositions as $composition) {
                        $next[] = $choice + [$index => [$option, $composition]];
                    }
                }
            }
            $choices = $next;
        }

        return $choices;
    }
}
