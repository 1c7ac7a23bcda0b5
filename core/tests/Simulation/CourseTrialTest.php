<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Simulation;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Simulation\CourseTrial;
use Somatrace\Core\Simulation\SimulatedClient;
use Somatrace\Core\Simulation\SimulatedClients;
use Somatrace\Core\Simulation\SimulatedCourse;
use Somatrace\Core\Tests\Support\Core;

/** The made-up courses themselves, and a sample of the trial: the whole is `somatrace:courses trial` (docs/course-trial.md). */
final class CourseTrialTest extends TestCase
{
    public function test_a_dose_helps_to_a_point_and_flares_beyond_it(): void
    {
        $seen = 0;
        foreach ($this->clients(40) as $client) {
            $course = fn (): SimulatedCourse => SimulatedCourse::of(Core::clinic()->atlas(), $client);
            $key = $client->strongest()->key();
            [$some, $more, $much] = [$course(), $course(), $course()];
            if (! $some->isMuscular) {
                continue;
            }
            $seen++;
            $some->work([$key => 0.4 * $some->bears()]);
            $more->work([$key => 0.9 * $some->bears()]);
            $much->work([$key => 1.8 * $some->bears()]);
            self::assertLessThan(1.0, $some->left($key));
            self::assertLessThan($some->left($key), $more->left($key), 'more helps more, up to what is borne');
            self::assertGreaterThan($more->left($key), $much->left($key), 'beyond it, less');
            self::assertLessThanOrEqual(24, $more->soreHours());
            self::assertGreaterThan(48, $much->soreHours());
            self::assertTrue($much->isWorse());
            self::assertFalse($more->isWorse());
        }
        self::assertGreaterThan(20, $seen);
    }

    public function test_what_is_fresh_heals_what_is_old_comes_back_and_what_lies_elsewhere_stays(): void
    {
        $went = ['fresh' => [], 'old' => [], 'elsewhere' => []];
        foreach ($this->clients(120) as $client) {
            $course = SimulatedCourse::of(Core::clinic()->atlas(), $client);
            $first = $course->pain();
            $key = $client->strongest()->key();
            if (! $course->isMuscular) {
                $course->work([$key => 0.9 * $course->bears()]);
                $course->wait(21);
                $went['elsewhere'][] = $course->pain() / $first;
            } elseif ($course->isFresh) {
                $course->wait(21);
                $went['fresh'][] = $course->pain() / $first;
            } else {
                $course->work([$key => 0.9 * $course->bears()]);
                $eased = $course->pain();
                $course->wait(60);
                $went['old'][] = $course->pain() - $eased;
            }
        }
        self::assertLessThan(0.6, max($went['fresh']));
        self::assertGreaterThan(0, array_sum($went['old']) / count($went['old']));
        self::assertSame([1.0], array_values(array_unique($went['elsewhere'])));
    }

    public function test_the_same_seed_tells_the_same_story(): void
    {
        $told = static fn (): array => (new CourseTrial(Core::clinic()))->run(3, 4)['judged']->outcome();
        self::assertSame($told(), $told());
    }

    #[Group('slow')]
    public function test_decisions_agree_with_what_is_hidden_and_clients_settle_sooner_than_by_routine(): void
    {
        ['judged' => $judged, 'routine' => $routine] = (new CourseTrial(Core::clinic()))->run(60, 32);

        self::assertGreaterThanOrEqual(82, $judged->agreement('targets')['right'], 'of 400: at least 85');
        self::assertGreaterThanOrEqual(85, $judged->agreement('courses')['right']);
        [$ours, $others] = [$judged->outcome(), $routine->outcome()];
        self::assertGreaterThan($others['settled'] + 15, $ours['settled']);
        self::assertLessThan($others['flares'] / 4, $ours['flares']);
        self::assertGreaterThanOrEqual(70, $ours['sent_rightly']);
        self::assertLessThanOrEqual(10, $ours['sent_wrongly']);
    }

    /** @return iterable<SimulatedClient> */
    private function clients(int $count): iterable
    {
        return (new SimulatedClients(Core::clinic()->atlas(), Core::clinic()->regionOfZone()))->many($count, 8);
    }
}
