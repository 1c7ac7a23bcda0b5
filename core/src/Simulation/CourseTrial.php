<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Client;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Response\CourseDecision;
use Somatrace\Core\Response\Decision;
use Somatrace\Core\Response\ResponseResult;

/**
 * Treats simulated clients over visits by what the judgement says, and others of the same make-up by a fixed routine, and sets every
 * decision beside what is hidden.
 */
final readonly class CourseTrial
{
    private const MOST_VISITS = 12;

    /** Muscles worked a visit. */
    private const TARGETS = 3;

    /** kPa·s of one muscle: where nothing is known, and what a routine gives to everybody. */
    private const FIRST_DOSE = 4500.0;

    private const ROUTINE_DOSE = 9000.0;

    private const ROUTINE_DAYS = 7;

    /** So many times the dose is a step further. */
    private const STEP = 1.2;

    /** Where what is hidden lies so near a border that nobody can say it, either answer is right: one SD of what a person says of pain. */
    private const BORDER = 0.7;

    private AtlasIndex $index;

    private SimulatedClients $clients;

    public function __construct(private Clinic $clinic)
    {
        $this->index = new AtlasIndex($clinic->atlas());
        $this->clients = new SimulatedClients($clinic->atlas(), $clinic->regionOfZone());
    }

    /** @return array{judged: CourseScore, routine: CourseScore} */
    public function run(int $count, int $seed): array
    {
        $scores = ['judged' => new CourseScore, 'routine' => new CourseScore];
        foreach ($this->clients->many($count, $seed) as $base) {
            $this->judged(SimulatedCourse::of($this->clinic->atlas(), $base), $scores['judged']);
            $this->routine(SimulatedCourse::of($this->clinic->atlas(), $base), $scores['routine']);
        }

        return $scores;
    }

    /** The judgement chooses what is worked, how much of it, when again, and when to stop. */
    private function judged(SimulatedCourse $course, CourseScore $score): void
    {
        $score->begin($course);
        $history = [];
        $day = new \DateTimeImmutable('2026-01-05');
        $doses = [];
        for ($visit = 1; $visit <= self::MOST_VISITS; $visit++) {
            $case = $this->case($course, $history, $day);
            $response = $this->clinic->respond($case);
            foreach ($response->targets as $target) {
                if (isset($course->lastDoses()[$target->at->key()])) {
                    $score->target($target->decision, $this->truth($course, $target->at->key()), $this->isAnswered($history));
                }
            }
            if ($history !== []) {
                $score->course($response->course, $this->courseTruth($course, $history, $day));
            }
            if ($this->isOver($response, $course, $score, $visit)) {
                return;
            }
            $doses = $this->doses($case, $response, $doses);
            $next = $this->clinic->nextVisit($case, null);
            [$history, $day] = $this->work($course, $history, $case, $day, $doses, $next->days ?? self::ROUTINE_DAYS, $score);
        }
        $score->unsettled($course);
    }

    /** Always the same three muscles where it hurts, always as much, once a week, until it is gone or the visits are over. */
    private function routine(SimulatedCourse $course, CourseScore $score): void
    {
        $score->begin($course);
        $history = [];
        $day = new \DateTimeImmutable('2026-01-05');
        $zones = array_map(static fn ($one): string => $one->zone, $course->today()->complaints);
        $side = $course->today()->complaints[0]->side ?? null;
        $keys = [];
        foreach ($this->clinic->atlas()->muscles as $muscle) {
            $hurts = $muscle->partOf === null && array_intersect($muscle->zones, $zones) !== [];
            if ($hurts && $side !== null && count($keys) < self::TARGETS) {
                $keys[] = "$muscle->id:{$side->value}";
            }
        }
        for ($visit = 1; $visit <= self::MOST_VISITS; $visit++) {
            $case = $this->case($course, $history, $day);
            if ($score->settles($course, $visit)) {
                return;
            }
            [$history, $day] = $this->work(
                $course, $history, $case, $day, array_fill_keys($keys, self::ROUTINE_DOSE), self::ROUTINE_DAYS, $score,
            );
        }
        $score->unsettled($course);
    }

    private function isOver(ResponseResult $response, SimulatedCourse $course, CourseScore $score, int $visit): bool
    {
        if ($response->course === CourseDecision::Refer) {
            $score->sentOn($course, $visit);

            return true;
        }

        return $score->settles($course, $visit);
    }

    /**
     * @param  list<PastVisit>  $history
     */
    private function case(SimulatedCourse $course, array $history, \DateTimeImmutable $day): CaseFile
    {
        $client = $course->today();
        $assessed = (new Assessment($this->index, $client))->full()->case();

        return new CaseFile($day, new Client(40, hand: $client->hand), $assessed->findings, demands: $client->demands, history: $history);
    }

    /**
     * What is supported best, without what is to be left; of what was worked before, as much more or less as the judgement says.
     *
     * @param  array<string, float>  $last  kPa·s by muscle and side
     * @return array<string, float>
     */
    private function doses(CaseFile $case, ResponseResult $response, array $last): array
    {
        $doses = [];
        foreach ($this->clinic->rank($case)->candidates as $candidate) {
            $decision = $response->of($candidate->at);
            if (in_array($decision?->decision, [Decision::Retire, Decision::Rethink], true)) {
                continue;
            }
            $key = $candidate->at->key();
            $doses[$key] = match (true) {
                $decision === null => self::FIRST_DOSE,
                $decision->decision === Decision::Regress => 0.75 ** -$decision->pressureStep * ($last[$key] ?? self::FIRST_DOSE),
                $decision->decision === Decision::Progress => self::STEP * ($last[$key] ?? self::FIRST_DOSE),
                default => $last[$key] ?? self::FIRST_DOSE,
            };
            if (count($doses) >= self::TARGETS) {
                break;
            }
        }

        return $doses;
    }

    /**
     * @param  list<PastVisit>  $history
     * @param  array<string, float>  $doses
     * @return array{list<PastVisit>, \DateTimeImmutable}
     */
    private function work(
        SimulatedCourse $course, array $history, CaseFile $case, \DateTimeImmutable $day, array $doses, int $days, CourseScore $score,
    ): array {
        $course->work($doses);
        $score->worked($course);
        $after = $course->today();
        $done = [];
        foreach ($doses as $key => $dose) {
            [$muscle, $side] = explode(':', $key);
            $done[] = new Done($muscle, Side::from($side), 5, 5, 'compressive_hold', doseKpaS: $dose);
        }
        $answer = $course->wait($days);
        $history[] = new PastVisit(
            $day, $case->findings, new Findings($after->complaints), $done, $answer === null ? [] : [$answer],
        );

        return [$history, $day->add(new \DateInterval("P{$days}D"))];
    }

    /** @param  list<PastVisit>  $history */
    private function isAnswered(array $history): bool
    {
        return ($history[count($history) - 1]->aftermath ?? []) !== [];
    }

    /** @return list<Decision> what is right of one muscle worked last time, by what is hidden */
    private function truth(SimulatedCourse $course, string $key): array
    {
        return match (true) {
            $course->soreHours() > 48, $course->isWorse() => [Decision::Regress],
            $course->soreHours() > 24 => [Decision::Hold],
            // of what is no source nothing should go further; whether it is left or held is a matter of what was felt
            ! $course->isSource($key) => [Decision::Hold, Decision::Retire, Decision::Rethink],
            // a step further would flare
            self::STEP * ($course->lastDoses()[$key] ?? 0.0) > $course->bears() => [Decision::Hold],
            // who has reached what was hoped for needs no step further, and takes no harm of one
            $course->pain() <= 2 + self::BORDER => [Decision::Hold, Decision::Progress, Decision::Retire],
            $course->left($key) < 0.25 => [Decision::Retire, Decision::Progress, Decision::Hold],
            $this->eased($course) === true => [Decision::Progress],
            $this->eased($course) === false => [Decision::Hold],
            default => [Decision::Hold, Decision::Progress],
        };
    }

    /**
     * @param  list<PastVisit>  $history
     * @return list<CourseDecision>
     */
    private function courseTruth(SimulatedCourse $course, array $history, \DateTimeImmutable $day): array
    {
        $visits = count($history);
        $eased = $this->eased($course) !== false;
        $late = $visits >= 4 || $history[0]->date->diff($day)->days >= 28;

        return match (true) {
            $course->pain() <= 2 + self::BORDER => [CourseDecision::Continue, CourseDecision::SpaceOut, CourseDecision::Discharge],
            $eased && $course->isMuscular => $this->eased($course) === true || ! $late
                ? [CourseDecision::Continue]
                : [CourseDecision::Continue, CourseDecision::Reassess],
            ! $late => [CourseDecision::Continue, CourseDecision::NotEnough],
            $visits >= 6 => [CourseDecision::Refer, CourseDecision::Reassess],
            default => [CourseDecision::Reassess],
        };
    }

    /** Whether the pain has really eased; null where it lies on the border. */
    private function eased(SimulatedCourse $course): ?bool
    {
        $by = $course->firstPain() - $course->pain();

        return abs($by - 2) <= self::BORDER ? null : $by > 2;
    }
}
