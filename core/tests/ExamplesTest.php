<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\Core;

/** The four example files that came with the format, and what a colleague would expect of each. */
final class ExamplesTest extends TestCase
{
    public function test_the_puppeteer_is_treated_in_front_of_where_it_hurts(): void
    {
        $case = Core::example('puppeteer-between-the-blades');
        $clinic = Core::clinic();
        $ranked = array_map(static fn ($candidate): string => $candidate->at->key(), $clinic->rank($case)->candidates);
        $plan = $clinic->plan($case)->toArray();
        $treated = $this->treated($plan);

        self::assertContains($clinic->screen($case)->verdict->value, ['modify', 'proceed']);
        self::assertLessThan(3, array_search('pectoralis_minor:right', $ranked, true));
        self::assertLessThan(array_search('rhomboids:right', $ranked, true), array_search('pectoralis_minor:right', $ranked, true));
        self::assertContains('pectoralis_minor:right', $treated);
        self::assertContains('rhomboids:right', $treated);
        self::assertLessThan(
            array_search('rhomboids:right', $treated, true), array_search('pectoralis_minor:right', $treated, true),
            'chest before back under source_first',
        );
    }

    public function test_the_wig_makers_hot_tendon_is_left_alone_with_cold_around_it(): void
    {
        $case = Core::example('wig-maker-hot-elbow');
        $safety = Core::clinic()->screen($case);
        $plan = Core::clinic()->plan($case)->toArray();

        self::assertNotEmpty($safety->questions);
        foreach ($plan['steps'] as $step) {
            $on = array_filter($step['places'], static fn (array $place): bool => $place === ['zone' => 'elbow_outer', 'side' => 'left']);
            self::assertSame([], $on, "{$step['label']} lies on the hot tendon");
            self::assertNotSame('common_extensor_tendon', $step['muscle']);
            self::assertNotSame('latex_glove', $step['product']);
        }
        self::assertContains('moving_ice', array_column($plan['steps'], 'technique'));
        self::assertContains('common_extensor_tendon', array_column($plan['left_out'], 'muscle'));
    }

    public function test_the_playwright_is_sent_for_help_and_not_planned(): void
    {
        $case = Core::example('playwright-dizzy-neck');

        self::assertContains(Core::clinic()->screen($case)->verdict->value, ['emergency', 'refer']);
        self::assertSame('none', Core::clinic()->plan($case)->toArray()['verdict']);
        self::assertSame([], Core::clinic()->plan($case)->steps);
        self::assertSame([], Core::clinic()->rank($case)->nextChecks, 'nobody tests a neck that is being sent on');
    }

    public function test_the_riggers_quiet_muscle_is_retired_and_the_real_source_met_gently(): void
    {
        $case = Core::example('rigger-low-back-course');
        $clinic = Core::clinic();
        $decisions = array_column($clinic->respond($case)->toArray()['targets'], 'decision', 'muscle');
        $ranked = array_map(static fn ($candidate): string => $candidate->at->key(), $clinic->rank($case)->candidates);
        $plan = $clinic->plan($case)->toArray();
        $steps = array_values(array_filter(
            $plan['steps'],
            static fn (array $step): bool => $step['kind'] === 'treat' && $step['muscle'] === 'gluteus_medius' && $step['side'] === 'right',
        ));

        self::assertSame('retire', $decisions['quadratus_lumborum']);
        self::assertLessThan(3, array_search('gluteus_medius:right', $ranked, true));
        self::assertCount(1, $steps);
        self::assertLessThanOrEqual(4, $steps[0]['passes'][0]['pressure']);
        self::assertLessThanOrEqual(5, max(array_column($steps[0]['passes'], 'pressure')));
        self::assertNotContains('quadratus_lumborum:right', $this->treated($plan));
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return list<string>
     */
    private function treated(array $plan): array
    {
        $treats = array_filter($plan['steps'], static fn (array $step): bool => $step['kind'] === 'treat' && $step['muscle'] !== null);

        return array_values(array_map(static fn (array $step): string => $step['muscle'].':'.$step['side'], $treats));
    }
}
