<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Response;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Response\CourseDecision;
use Somatrace\Core\Response\Decision;
use Somatrace\Core\Response\Helped;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Response\TargetDecision;
use Somatrace\Core\Simulation\Rearranged;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCourses;

/** What holds of the judgement of every course, however it went. */
final class ResponsePropertiesTest extends TestCase
{
    private const SEED = 20261130;

    #[Group('slow')]
    public function test_more_soreness_never_leads_a_step_further(): void
    {
        $changed = 0;
        foreach ($this->courses() as $name => $case) {
            $before = $this->judged($case);
            foreach ([10, 30, 60] as $hours) {
                $sorer = $this->afterwards($case, static fn (array $one): array => [
                    ...$one, 'soreness_hours' => max($hours, $one['soreness_hours'] ?? 0),
                ]);
                // who never answered answers now: what an answer opens is not what soreness opens
                if ($this->afterwards($case, static fn (array $one): array => [...$one, 'soreness_hours' => 0]) === $sorer) {
                    continue;
                }
                $known = $this->judged($this->afterwards($case, static fn (array $one): array => [
                    ...$one, 'soreness_hours' => $one['soreness_hours'] ?? 0,
                ]));
                foreach ($this->judged($sorer)->targets as $target) {
                    $was = $known->of($target->at);
                    self::assertLessThanOrEqual(
                        $was->pressureStep ?? 0, $target->pressureStep, "$name, $hours h: {$target->because} was {$was?->because}",
                    );
                    $changed += (int) ($target->decision !== $was?->decision);
                }
            }
            self::assertEquals($before->course, $this->judged($case)->course);
        }
        self::assertGreaterThan(20, $changed, 'the limit is reached');
    }

    #[Group('slow')]
    public function test_what_nobody_answered_never_counts_as_good(): void
    {
        $held = 0;
        foreach ($this->courses() as $name => $case) {
            foreach ($this->judged($this->afterwards($case, static fn (): ?array => null))->targets as $target) {
                self::assertNotSame(Decision::Progress, $target->decision, "$name: $target->because");
                self::assertNull($target->tolerance->borne, $name);
                $held++;
            }
            $silent = $case;
            foreach ($silent['findings']['complaints'] ?? [] as $index => $one) {
                unset($silent['findings']['complaints'][$index]['now']);
            }
            $result = $this->judged($silent);
            self::assertNotContains($result->course, [CourseDecision::SpaceOut, CourseDecision::Discharge], $name);
            foreach ($result->plan->phases as $phase) {
                foreach ($phase->gates as $gate) {
                    self::assertNotSame($gate->id === 'rest_pain' ? true : 'never', $gate->holds, $name);
                }
            }
        }
        self::assertGreaterThan(40, $held);
    }

    #[Group('slow')]
    public function test_the_order_in_which_it_was_written_changes_nothing(): void
    {
        foreach ($this->courses() as $name => $case) {
            self::assertEqualsCanonicalizing(
                $this->judged($case)->toArray(), $this->judged(Rearranged::shuffled($case))->toArray(), $name,
            );
        }
    }

    public function test_no_muscle_goes_further_than_its_course(): void
    {
        $seen = [];
        foreach ($this->courses() as $name => $case) {
            $result = $this->judged($case);
            $seen[$result->course->value] = ($seen[$result->course->value] ?? 0) + count($result->targets);
            if ($result->course === CourseDecision::Continue) {
                continue;
            }
            foreach ($result->targets as $target) {
                if ($result->course !== CourseDecision::NotEnough) {
                    self::assertNotSame(Decision::Progress, $target->decision, "$name: {$result->course->value}, $target->because");
                }
            }
            if ($result->contradiction !== null) {
                self::assertContains($result->course, [CourseDecision::Refer, CourseDecision::Reassess], $name);
            }
        }
        foreach (['continue', 'reassess', 'refer'] as $course) {
            self::assertGreaterThan(3, $seen[$course] ?? 0, "of $course too few: ".json_encode($seen));
        }
    }

    #[Group('slow')]
    public function test_what_was_too_much_is_shorter_next_time(): void
    {
        $shortened = 0;
        foreach (MadeUpCourses::treated(8) as $name => $case) {
            $response = Core::clinic()->respond($case);
            $too = array_filter($response->targets, static fn (TargetDecision $one): bool => $one->decision === Decision::Regress);
            if ($too === []) {
                continue;
            }
            $minutes = [];
            foreach (Core::clinic()->plan($case)->steps as $step) {
                if ($step->kind === StepKind::Treat && $step->at !== null && ! $step->otherSide) {
                    $minutes[$step->at->key()] = ($minutes[$step->at->key()] ?? 0) + $step->minutes;
                }
            }
            foreach ($too as $decision) {
                if ($decision->lastMinutes !== null && isset($minutes[$decision->at->key()])) {
                    self::assertLessThanOrEqual($decision->lastMinutes + 0.02, $minutes[$decision->at->key()], "$name: $decision->name");
                    $shortened++;
                }
            }
        }
        self::assertGreaterThan(1, $shortened);
    }

    /** Few readings say little: an estimate is never further from nothing than what was seen, and narrower the more was seen. */
    public function test_what_helped_is_drawn_toward_nothing_and_says_how_wide_it_is(): void
    {
        $of = static fn (int $visits): Helped => array_values(array_filter(
            Core::clinic()->respond(Core::case([
                'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-06-30', 'client' => ['age' => 40],
                'history' => array_map(static fn (int $n): array => [
                    'date' => (new \DateTimeImmutable('2026-01-01'))->modify("+$n weeks")->format('Y-m-d'),
                    'findings' => ['complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 6]]],
                    'after' => ['complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 4]]],
                    'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 4, 'max_pressure' => 5]],
                ], range(1, $visits)),
            ]))->helped, static fn (Helped $one): bool => $one->by === 'target',
        ))[0];
        $last = $of(1);
        foreach ([2, 4, 8] as $visits) {
            $now = $of($visits);
            self::assertGreaterThan($last->change, $now->change);
            self::assertLessThan(1, $now->change, 'a real change each time');
            self::assertLessThan($last->high - $last->low, $now->high - $now->low);
            self::assertSame($visits, $now->visits);
            $last = $now;
        }
    }

    /** @return iterable<string, array<string, mixed>> */
    private function courses(): iterable
    {
        foreach (MadeUpCourses::ofEveryRegion(5, self::SEED) as $name => [$case]) {
            if (($case['history'] ?? []) !== []) {
                yield $name => $case;
            }
        }
    }

    /** @param  array<string, mixed>  $case */
    private function judged(array $case): ResponseResult
    {
        return Core::clinic()->respond(Core::case($case));
    }

    /**
     * @param  array<string, mixed>  $case
     * @param  callable(array<string, mixed>): ?array<string, mixed>  $change  null takes it away
     * @return array<string, mixed> what was answered after each visit, otherwise
     */
    private function afterwards(array $case, callable $change): array
    {
        foreach ($case['history'] as $index => $visit) {
            $after = array_values(array_filter(array_map($change, $visit['aftermath'] ?? [])));
            $case['history'][$index] = array_filter(
                [...$visit, 'aftermath' => $after], static fn (mixed $part): bool => $part !== [],
            );
        }

        return $case;
    }
}
