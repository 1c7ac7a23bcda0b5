<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Pattern\Figures;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class PatternEngineTest extends TestCase
{
    public function test_with_no_evidence_nothing_stands_above_its_prior(): void
    {
        $candidates = Core::clinic()->rank(CaseBuilder::aCase()->make())->candidates;

        self::assertSame($candidates[0]->logOdds, $candidates[count($candidates) - 1]->logOdds);
        self::assertSame('slight', $candidates[0]->word);
    }

    /** @param  array<string, mixed>  $felt */
    #[DataProvider('pictures')]
    public function test_the_muscle_that_reproduces_the_pain_leads(string $zone, string $muscle, array $felt): void
    {
        $case = CaseBuilder::aCase()
            ->complaint($zone, 'left', 6)
            ->felt($muscle, 'left', ['tenderness' => 3, 'tone' => 'high', 'texture' => ['taut_band'], 'familiar' => 'yes', ...$felt])
            ->make();

        self::assertSame("$muscle:left", Core::clinic()->rank($case)->candidates[0]->at->key());
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function pictures(): iterable
    {
        yield 'temple from the neck strap' => [
            'temple', 'sternocleidomastoid_sternal', ['refers_to' => [['zone' => 'temple', 'side' => 'left']]],
        ];
        yield 'top of the shoulder from levator' => ['neck_back', 'levator_scapulae', []];
        yield 'front of the shoulder from behind' => [
            'shoulder_front', 'infraspinatus', ['refers_to' => [['zone' => 'shoulder_front', 'side' => 'left']]],
        ];
        yield 'low back from the hip' => ['low_back', 'gluteus_medius', []];
    }

    public function test_every_weight_has_a_note(): void
    {
        $file = JsonFile::read(dirname(__DIR__, 2).'/data/pattern.json');

        self::assertSame($file->fields('weights')->keys(), $file->fields('notes')->keys());
    }

    public function test_the_curve_of_support_never_falls_and_bends_at_its_knee(): void
    {
        $figures = Figures::load(dirname(__DIR__, 2).'/data');
        $last = $figures->tempered(-20);
        for ($odds = -19.5; $odds < 20; $odds += 0.5) {
            self::assertGreaterThan($last, $figures->tempered($odds));
            self::assertEqualsWithDelta($figures->slope($odds), ($figures->tempered($odds) - $last) / 0.5, 1e-9);
            $last = $figures->tempered($odds);
        }
    }

    public function test_what_if_moves_the_supposed_muscle_up_or_down_and_leaves_the_case(): void
    {
        $case = CaseBuilder::aCase()->complaint('neck_back', 'left', 6)->make();
        $at = new MuscleAt('splenius_cervicis', Side::Left);
        $now = Core::clinic()->rank($case)->of($at)->logOdds ?? 0;
        $odds = static fn (string $kind, string $id, Side $side): array => array_map(
            static fn (CaseFile $supposed): float => Core::clinic()->rank($supposed)->of($at)->logOdds ?? 0.0,
            Core::clinic()->whatIf($case, $kind, $id, $side),
        );
        $supposed = $odds('palpate', $at->muscle, $at->side);

        self::assertGreaterThan($now, $supposed['answers']);
        self::assertLessThan($now, $supposed['clean']);
        self::assertSame([], $case->findings->palpation);
        foreach (['range' => 'cervical.flexion', 'resisted' => 'cervical.extension'] as $kind => $movement) {
            $supposed = $odds($kind, $movement, Side::Midline);
            self::assertGreaterThan($supposed['clean'], $supposed['answers'], $kind);
        }
        $level = new JointAt(Core::clinic()->atlas()->handwork()->joint('neck_level'), 'C4', Side::Left);
        $sprung = array_map(
            static fn (CaseFile $one): float => Core::clinic()->rank($one)->joints[0]->logOdds,
            Core::clinic()->whatIf($case, 'test', 'neck_spring', Side::Left),
        );
        self::assertGreaterThan($sprung['clean'], $sprung['answers']);
        self::assertNotNull(Core::clinic()->rank($case)->ofJoint($level));
        $this->expectException(UnknownId::class);
        Core::clinic()->whatIf($case, 'listen', 'masseter', Side::Left);
    }

    public function test_a_far_finding_does_not_change_the_order_of_the_leaders(): void
    {
        $neck = static fn (): CaseBuilder => CaseBuilder::aCase()
            ->complaint('neck_back', 'left', 6)
            ->felt('levator_scapulae', 'left', ['tenderness' => 3])
            ->felt('splenius_capitis', 'left', ['tenderness' => 2]);
        $leaders = static fn (CaseBuilder $case): array => array_map(
            static fn ($candidate): string => $candidate->at->key(), array_slice(Core::clinic()->rank($case->make())->candidates, 0, 5),
        );

        self::assertSame($leaders($neck()), $leaders($neck()->felt('soleus', 'right', ['tenderness' => 1])));
    }

    public function test_three_signs_of_one_shortness_are_not_three_proofs(): void
    {
        $at = new MuscleAt('levator_scapulae', Side::Left);
        $odds = static fn (CaseBuilder $case): float => Core::clinic()->rank($case->make())->of($at)->logOdds ?? 0;
        $none = $odds(CaseBuilder::aCase());
        $one = $odds(
            CaseBuilder::aCase()->range('cervical.rotation', 'right', ['active' => 40])->range(
                'cervical.rotation', 'left', ['active' => 75],
            ),
        ) - $none;
        $two = $odds(
            CaseBuilder::aCase()
                ->range('cervical.rotation', 'right', ['active' => 40])
                ->range('cervical.rotation', 'left', ['active' => 75])
                ->range('cervical.side_bend', 'right', ['active' => 15])
                ->range('cervical.side_bend', 'left', ['active' => 42]),
        ) - $none;

        self::assertGreaterThan($one, $two);
        self::assertLessThan(2 * $one, $two);
    }

    /** @param  list<float|null>  $pains  at the visits, today last @param  list<int>  $tender  likewise */
    #[DataProvider('courses')]
    public function test_what_came_of_the_work_speaks_for_or_against(array $pains, array $tender, ?string $sign): void
    {
        $complaint = static fn (?float $now): array => ['zone' => 'neck_back', 'side' => 'left', ...$now === null ? [] : ['now' => $now]];
        $felt = static fn (int $tenderness): array => [
            'muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => $tenderness, 'tone' => 'usual', 'familiar' => 'no',
        ];
        $case = CaseBuilder::aCase()->with([
            'findings' => ['complaints' => [$complaint(array_pop($pains))], 'palpation' => [$felt((int) array_pop($tender))]],
        ]);
        foreach ($pains as $visit => $pain) {
            $case->visited(
                '2026-02-'.(10 + 3 * $visit),
                [
                    'findings' => ['complaints' => [$complaint($pain)], 'palpation' => [$felt($tender[$visit])]],
                    'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 8, 'max_pressure' => 5]],
                ],
            );
        }
        $candidate = Core::clinic()->rank($case->make())->of(new MuscleAt('levator_scapulae', Side::Left));
        $said = array_values(array_filter($candidate?->evidence() ?? [], static fn ($evidence): bool => $evidence->kind === 'response'));

        self::assertSame($sign === null ? [] : [$sign], array_map(static fn ($evidence): string => $evidence->code, $said));
        self::assertSame($sign !== null, $said !== [] && ($sign === 'eased_with_it') === ($said[0]->weight > 0));
    }

    /** @return iterable<string, array{list<float|null>, list<int>, string|null}> */
    public static function courses(): iterable
    {
        yield 'quiet, and the pain stayed: it was not the source' => [[6, 6, 6], [2, 1, 0], 'quiet_unchanged'];
        yield 'quiet, and a point less is no ease' => [[6, 6, 5], [2, 1, 0], 'quiet_unchanged'];
        yield 'quiet, and eased: nothing left to do there' => [[6, 5, 4], [2, 1, 0], 'quiet_improved'];
        yield 'eased, and still tender: it may be the one' => [[6, 5, 4], [3, 3, 2], 'eased_with_it'];
        yield 'neither' => [[6, 6, 6], [3, 3, 2], null];
        yield 'worked once only' => [[6, 6], [1, 0], null];
        yield 'quiet today only' => [[6, 6, 6], [3, 3, 0], null];
        yield 'quiet, and nobody asked how it hurts' => [[null, null, null], [2, 1, 0], null];
        yield 'quiet, and asked once' => [[null, null, 6], [2, 1, 0], null];
    }

    public function test_treated_until_quiet_with_the_pain_unchanged_is_evidence_against(): void
    {
        $visit = static fn (int $tenderness): array => [
            'findings' => [
                'complaints' => [['zone' => 'neck_back', 'side' => 'left', 'now' => 6]],
                'palpation' => [[
                    'muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => $tenderness, 'tone' => 'usual', 'familiar' => 'no',
                ]],
            ],
            'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 8, 'max_pressure' => 5]],
        ];
        $case = CaseBuilder::aCase()
            ->complaint('neck_back', 'left', 6)
            ->visited('2026-02-10', $visit(2))
            ->visited('2026-02-17', $visit(1))
            ->felt('levator_scapulae', 'left', ['tenderness' => 0, 'tone' => 'usual'])
            ->make();
        $candidate = Core::clinic()->rank($case)->of(new MuscleAt('levator_scapulae', Side::Left));

        self::assertContains('quiet_unchanged', array_map(static fn ($evidence): string => $evidence->code, $candidate?->evidence() ?? []));
        self::assertLessThan(0, $candidate->logOdds ?? 0);
    }

    public function test_the_pulled_on_muscle_is_overstretched_and_the_short_one_in_front_the_source(): void
    {
        $pattern = Core::clinic()->rank(Core::example('puppeteer-between-the-blades'));

        self::assertSame(Role::Source, $pattern->of(new MuscleAt('pectoralis_minor', Side::Right))?->role);
        self::assertSame(Role::Overstretched, $pattern->of(new MuscleAt('rhomboids', Side::Right))?->role);
    }

    public function test_the_next_check_has_not_been_done_and_tells_something(): void
    {
        $case = CaseBuilder::aCase()->complaint('neck_back', 'left', 6)->felt('levator_scapulae', 'left', ['tenderness' => 3])->make();
        $checks = Core::clinic()->rank($case)->nextChecks;

        self::assertNotEmpty($checks);
        foreach ($checks as $check) {
            self::assertGreaterThan(0, $check->bits);
            self::assertFalse($check->kind === 'palpate' && $check->id === 'levator_scapulae' && $check->side === Side::Left);
        }
    }
}
