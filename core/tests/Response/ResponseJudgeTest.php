<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Response;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class ResponseJudgeTest extends TestCase
{
    /** @param  array<string, mixed>  $aftermath */
    #[DataProvider('answers')]
    public function test_the_answer_to_the_last_visit_decides_about_the_next(
        array $aftermath,
        float $now,
        string $decision,
        int $step,
    ): void {
        $case = CaseBuilder::aCase()
            ->complaint('neck_back', 'left', $now)
            ->felt('levator_scapulae', 'left', ['tenderness' => 2, 'tone' => 'high'])
            ->visited('2026-02-20', [
                'findings' => [
                    'complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 7]],
                    'palpation' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 3]],
                ],
                'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 8, 'max_pressure' => 5]],
                'aftermath' => $aftermath === [] ? [] : [['hours' => 96, ...$aftermath]],
            ])->make();
        $target = Core::clinic()->respond($case)->targets[0];

        self::assertSame([$decision, $step], [$target->decision->value, $target->pressureStep]);
    }

    /** @return iterable<string, array{array<string, mixed>, float, string, int}> */
    public static function answers(): iterable
    {
        yield 'no soreness and really better' => [['soreness_hours' => 10, 'worse' => false], 4, 'progress', 1];
        yield 'no soreness, no real change' => [['soreness_hours' => 10, 'worse' => false], 6, 'hold', 0];
        yield 'sore for a day and a half' => [['soreness_hours' => 36, 'worse' => false], 4, 'hold', 0];
        yield 'sore for more than two days' => [['soreness_hours' => 49, 'worse' => false], 4, 'regress', -1];
        yield 'worse' => [['soreness_hours' => 4, 'worse' => true], 4, 'regress', -1];
        yield 'worse and long sore' => [['soreness_hours' => 60, 'worse' => true], 4, 'regress', -2];
        yield 'nobody asked' => [[], 4, 'hold', 0];
    }

    /** @param  array<string, mixed>  $then @param  array<string, mixed>  $now */
    #[DataProvider('contradictions')]
    public function test_where_pain_and_what_the_body_can_do_disagree_nothing_goes_further(
        array $then,
        array $now,
        string $decision,
        ?string $words,
    ): void {
        $case = CaseBuilder::aCase()
            ->with(['findings' => $now])
            ->felt('levator_scapulae', 'left', ['tenderness' => 2, 'tone' => 'high'])
            ->visited('2026-02-20', [
                'findings' => $then, 'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 8, 'max_pressure' => 5]],
                'aftermath' => [['hours' => 96, 'soreness_hours' => 10, 'worse' => false]],
            ])->make();
        $response = Core::clinic()->respond($case);

        self::assertSame($decision, $response->targets[0]->decision->value);
        self::assertSame($words, $response->contradiction?->words);
        self::assertSame($words !== null, str_contains($response->because, 'What changed?'));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string, ?string}> */
    public static function contradictions(): iterable
    {
        $at = static fn (float $pain, float $turns, int $strength): array => [
            'complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => $pain]],
            'range' => [['movement' => 'cervical.rotation', 'side' => 'right', 'active' => $turns]],
            'resisted' => [['movement' => 'elbow.extension', 'side' => 'left', 'strength' => $strength]],
        ];
        yield 'both better' => [$at(7, 50, 5), $at(4, 60, 5), 'progress', null];
        yield 'pain better, turning really worse' => [
            $at(7, 60, 5), $at(4, 52, 5), 'hold', 'The pain is really better, and worse is: turning the head.',
        ];
        yield 'pain better, turning worse within error' => [$at(7, 60, 5), $at(4, 54, 5), 'progress', null];
        yield 'pain better, weaker by a grade' => [
            $at(7, 60, 5), $at(4, 60, 4), 'hold', 'The pain is really better, and worse is: strength, elbow extension, left.',
        ];
        yield 'pain better, a strength tried for the first time and not there' => [
            array_diff_key($at(7, 60, 5), ['resisted' => true]), $at(4, 60, 0), 'progress', null,
        ];
        yield 'pain worse, turning better' => [
            $at(4, 50, 5), $at(7, 60, 5), 'hold', 'The pain is really worse, and better is: turning the head.',
        ];
    }

    /** @param  list<float>  $pains one a visit, today last */
    #[DataProvider('courses')]
    public function test_the_course_is_judged_over_its_visits(array $pains, string $decision): void
    {
        $case = CaseBuilder::aCase()->complaint('low_back', 'right', (float) array_pop($pains));
        foreach ($pains as $index => $pain) {
            $case->visited(
                date('Y-m-d', strtotime('2026-03-02') - (count($pains) - $index) * 5 * 86400),
                ['findings' => ['complaints' => [['zone' => 'low_back', 'side' => 'right', 'now' => $pain]]]],
            );
        }

        self::assertSame($decision, Core::clinic()->respond($case->make())->course->value);
    }

    /** @return iterable<string, array{list<float>, string}> */
    public static function courses(): iterable
    {
        yield 'the first visit' => [[6], 'not_enough'];
        yield 'easing' => [[7, 6, 4], 'continue'];
        yield 'early, no change' => [[7, 6], 'continue'];
        yield 'four visits, no real change' => [[7, 6, 7, 6, 6], 'reassess'];
        yield 'six visits, no real change' => [[7, 6, 7, 6, 6, 7, 6], 'refer'];
        yield 'at the goal twice' => [[7, 4, 2, 1], 'space_out'];
        yield 'at the goal four times' => [[7, 2, 1, 1, 0], 'discharge'];
        yield 'at the goal and back again' => [[7, 2, 1, 4], 'continue'];
    }

    public function test_swelling_that_stays_two_weeks_is_sent_on(): void
    {
        $case = CaseBuilder::aCase()->condition(
            'ligament_sprain',
            ['since' => '2026-02-10', 'swelling_trend' => 'same', 'zones' => [['zone' => 'ankle_outer', 'side' => 'left']]],
        )->make();

        self::assertSame('refer', Core::clinic()->respond($case)->course->value);
    }

    public function test_quiet_twice_with_the_complaint_unchanged_is_rethought_not_retired(): void
    {
        $visit = static fn (int $tenderness): array => [
            'findings' => [
                'complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 6]],
                'palpation' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => $tenderness, 'tone' => 'usual']],
            ],
            'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 8, 'max_pressure' => 5]],
        ];
        $case = CaseBuilder::aCase()
            ->complaint('neck_back', 'left', 6)
            ->visited('2026-02-10', $visit(3))
            ->visited('2026-02-17', $visit(1))
            ->felt('levator_scapulae', 'left', ['tenderness' => 0, 'tone' => 'usual'])
            ->make();

        self::assertSame('rethink', Core::clinic()->respond($case)->targets[0]->decision->value);
    }
}
