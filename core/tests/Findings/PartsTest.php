<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Findings;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\Findings\Parts;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Evidence;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** A whole stands for its parts until somebody tells them apart; what was said of it then counts for them. */
final class PartsTest extends TestCase
{
    private const WHOLE = 'extensor_carpi_radialis';

    private const LONG = 'extensor_carpi_radialis_longus';

    private const SHORT = 'extensor_carpi_radialis_brevis';

    private const SORE = ['tenderness' => 3, 'tone' => 'high', 'texture' => ['taut_band'], 'familiar' => 'yes'];

    public function test_where_no_part_is_named_nothing_is_told_apart(): void
    {
        $case = $this->elbow()->felt(self::WHOLE, 'right', self::SORE)->make();

        self::assertSame($case, $this->parts()->resolved($case));
        self::assertSame([self::WHOLE], array_values(array_intersect($this->ranked($case), [self::WHOLE, self::LONG, self::SHORT])));
        foreach (Core::clinic()->atlas()->parts() as $whole => $parts) {
            self::assertGreaterThanOrEqual(2, count($parts), $whole);
            self::assertSame([], array_intersect($this->ranked($case), $parts), 'no part is a candidate beside its whole');
        }
    }

    public function test_a_part_that_was_felt_stands_with_the_others_in_place_of_the_whole(): void
    {
        $case = $this->elbow()->felt(self::WHOLE, 'right', self::SORE)->felt(self::LONG, 'right', ['tenderness' => 0])->make();
        $ranked = $this->ranked($case);

        self::assertNotContains(self::WHOLE, $ranked);
        self::assertSame([self::LONG, self::SHORT], $this->felt($case), 'what was felt of the whole is the short one’s');
        self::assertLessThan(
            array_search(self::LONG.':right', $this->keys($case), true), array_search(self::SHORT.':right', $this->keys($case), true),
            'sore beside quiet',
        );
        $plan = Core::clinic()->plan($case);
        $worked = array_map(static fn (PlanStep $step): string => (string) $step->at?->muscle, $plan->steps);
        self::assertContains(self::SHORT, $worked);
        self::assertNotContains(self::WHOLE, $worked, 'nothing is worked twice');
        self::assertNotContains(self::LONG, $worked, 'it was felt, and is quiet');
    }

    public function test_each_part_felt_by_itself_is_what_was_found_last(): void
    {
        $case = $this->elbow()->felt(self::WHOLE, 'right', self::SORE)
            ->felt(self::LONG, 'right', ['tenderness' => 1])->felt(self::SHORT, 'right', ['tenderness' => 2])->make();

        self::assertSame(
            [1, 2],
            array_map(static fn (PalpationFinding $one): ?int => $one->tenderness, $this->parts()->resolved($case)->findings->palpation),
        );
    }

    public function test_on_the_other_side_what_was_said_of_the_whole_counts_for_each_part(): void
    {
        $case = $this->elbow()->felt(self::WHOLE, 'left', self::SORE)->felt(self::LONG, 'right', ['tenderness' => 2])->make();

        self::assertSame(
            [self::LONG.':left', self::SHORT.':left', self::LONG.':right'],
            array_map(static fn (PalpationFinding $one): string => $one->at()->key(), $this->parts()->resolved($case)->findings->palpation),
        );
    }

    public function test_a_sign_that_names_the_whole_speaks_of_its_parts(): void
    {
        $forward = static fn (CaseBuilder $case): CaseBuilder => $case->add(
            'findings', 'posture', ['sign' => 'chin_up', 'side' => 'midline', 'grade' => 2],
        );
        $case = $forward(CaseBuilder::aCase()->complaint('occiput', 'left'))
            ->felt('obliquus_capitis_superior', 'left', ['tenderness' => 2])->make();

        foreach (['rectus_capitis_posterior_major', 'obliquus_capitis_superior'] as $part) {
            self::assertContains('posture', $this->kinds($case, "$part:left"), $part);
        }
    }

    public function test_what_was_done_and_borne_before_counts_for_the_parts(): void
    {
        $case = $this->elbow()->felt(self::SHORT, 'right', ['tenderness' => 3])
            ->with(['exposure' => [['muscle' => self::WHOLE, 'side' => 'right', 'visits' => 2]]])
            ->visited('2026-02-01', [
                'findings' => ['palpation' => [['muscle' => self::WHOLE, 'side' => 'right', 'tenderness' => 4]]],
                'done' => [['muscle' => self::WHOLE, 'side' => 'right', 'minutes' => 3, 'max_pressure' => 5]],
            ])->make();
        $resolved = $this->parts()->resolved($case);

        self::assertSame([self::LONG, self::SHORT], array_map(static fn ($one): string => $one->muscle, $resolved->exposure));
        self::assertSame(2, $resolved->exposure[1]->visits);
        self::assertSame([self::LONG, self::SHORT], array_map(static fn ($one): string => $one->muscle, $resolved->history[0]->done));
        self::assertSame(
            [4, 4], array_map(static fn ($one): ?int => $one->tenderness, $resolved->history[0]->findings->palpation),
        );
    }

    public function test_who_chose_the_whole_by_hand_gets_it(): void
    {
        $case = $this->elbow()->felt(self::LONG, 'right', ['tenderness' => 2])
            ->add('session', 'targets', ['muscle' => self::WHOLE, 'side' => 'right'])->make();

        self::assertContains(self::WHOLE, $this->ranked($case));
    }

    private function elbow(): CaseBuilder
    {
        return CaseBuilder::aCase()->complaint('elbow_outer', 'right', 6)->with(['session' => ['minutes' => 45]]);
    }

    private function parts(): Parts
    {
        return new Parts(Core::clinic()->atlas());
    }

    /** @return list<string> muscles that may be the source */
    private function ranked(CaseFile $case): array
    {
        return array_values(array_unique(array_map(
            static fn (Candidate $one): string => $one->at->muscle, Core::clinic()->rank($case)->candidates,
        )));
    }

    /** @return list<string> by muscle and side, the strongest first */
    private function keys(CaseFile $case): array
    {
        return array_map(static fn (Candidate $one): string => $one->at->key(), Core::clinic()->rank($case)->candidates);
    }

    /** @return list<string> whom the hand has something to say of */
    private function felt(CaseFile $case): array
    {
        $felt = array_filter(
            Core::clinic()->rank($case)->candidates,
            static fn (Candidate $one): bool => array_filter(
                $one->evidence(), static fn (Evidence $sign): bool => $sign->kind === 'palpation',
            ) !== [],
        );
        $muscles = array_map(static fn (Candidate $one): string => $one->at->muscle, $felt);
        sort($muscles);

        return array_reverse($muscles);
    }

    /** @return list<string> kinds of what speaks for or against a candidate */
    private function kinds(CaseFile $case, string $key): array
    {
        foreach (Core::clinic()->rank($case)->candidates as $one) {
            if ($one->at->key() === $key) {
                return array_map(static fn (Evidence $sign): string => $sign->kind, $one->evidence());
            }
        }

        return [];
    }
}
