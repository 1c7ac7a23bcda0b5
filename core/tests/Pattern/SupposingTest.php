<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Pattern\Supposing;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What a check would be written down as, if it answered or did not. */
final class SupposingTest extends TestCase
{
    public function test_a_movement_that_answers_is_short_and_hurts_and_one_that_does_not_is_as_usual(): void
    {
        foreach (Core::clinic()->atlas()->movements as $movement) {
            $side = $movement->paired ? Side::Left : Side::Midline;
            [$yes, $no] = array_map(
                fn (bool $answers) => $this->supposing()->with($this->neck(), 'range', $movement->id, $side, $answers)->findings->range[0],
                [true, false],
            );

            self::assertSame((float) $movement->norm, (float) $no->active, $movement->id);
            self::assertSame(0.0, $no->pain);
            self::assertGreaterThan(0, $yes->pain);
            self::assertGreaterThanOrEqual($movement->min, $yes->active, "$movement->id: no body does less");
            self::assertLessThanOrEqual($movement->max, $yes->active, "$movement->id: nor more");
            self::assertSame($movement->largerIsBetter, $yes->active < $no->active, "$movement->id: short");
        }
    }

    public function test_a_muscle_that_answers_sends_where_it_hurts_and_is_known_to_be_felt(): void
    {
        $felt = fn (bool $answers) => $this->supposing()
            ->with($this->neck(), 'palpate', 'levator_scapulae', Side::Left, $answers)->findings->palpation[0];

        self::assertSame(
            [3, Answer::Yes, ['neck_back:left']],
            [$felt(true)->tenderness, $felt(true)->familiar, array_map(static fn ($one): string => $one->key(), $felt(true)->refersTo)],
        );
        self::assertSame([0, Answer::No, []], [$felt(false)->tenderness, $felt(false)->familiar, $felt(false)->refersTo]);
    }

    public function test_a_strength_that_answers_is_full_and_hurts(): void
    {
        $tried = fn (bool $answers) => $this->supposing()
            ->with($this->neck(), 'resisted', 'cervical.rotation', Side::Left, $answers)->findings->resisted[0];

        self::assertSame([5, 5.0], [$tried(true)->strength, $tried(true)->pain]);
        self::assertSame([5, 0.0], [$tried(false)->strength, $tried(false)->pain]);
    }

    public function test_what_is_no_check_is_told(): void
    {
        $this->expectException(UnknownId::class);
        $this->supposing()->with($this->neck(), 'dance', 'levator_scapulae', Side::Left, true);
    }

    private function supposing(): Supposing
    {
        return new Supposing(Core::clinic()->atlas());
    }

    private function neck(): \Somatrace\Core\CaseFile\CaseFile
    {
        return CaseBuilder::aCase()->complaint('neck_back', 'left')->complaint('neck_back', 'right')->make();
    }
}
