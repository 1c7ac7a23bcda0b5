<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Findings;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Findings\AnsweredSet;
use Somatrace\Core\Record\FindingsWriter;
use Somatrace\Core\Record\Sentence;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

/** Tests that only speak together: counted a side, and said in the note from the third on. */
final class AnsweredSetTest extends TestCase
{
    private const THREE = 'hurts sacrum right now 4; tests pelvis_spread right positive; tests thigh_pushed right positive; '
        .'tests sacrum_pressed right positive; tests pelvis_squeezed right negative';

    /** @param  array{done: int, positive: int}  $count */
    #[DataProvider('counted')]
    public function test_it_counts_what_was_answered_on_that_side(string $findings, Side $side, array $count, bool $speaks): void
    {
        $set = Core::clinic()->atlas()->testSets['sacroiliac_five'];
        $found = SpokenFindings::make($findings)->make()->findings->tests;

        $answered = AnsweredSet::of($set, $found, $side);
        self::assertSame($count, ['done' => $answered->done, 'positive' => $answered->positive]);
        self::assertSame($speaks, $answered->speaks());
    }

    /** @return iterable<string, array{string, Side, array{done: int, positive: int}, bool}> */
    public static function counted(): iterable
    {
        yield 'three of four' => [self::THREE, Side::Right, ['done' => 4, 'positive' => 3], true];
        yield 'the other side was not tried' => [self::THREE, Side::Left, ['done' => 0, 'positive' => 0], false];
        yield 'two are too few' => [
            str_replace('sacrum_pressed right positive', 'sacrum_pressed right negative', self::THREE), Side::Right,
            ['done' => 4, 'positive' => 2], false,
        ];
        yield 'what was not done does not count' => [
            str_replace('thigh_pushed right positive', 'thigh_pushed right not_done', self::THREE), Side::Right,
            ['done' => 3, 'positive' => 2], false,
        ];
        yield 'nor does a test of something else' => [
            str_replace('pelvis_spread', 'hip_fold_in', self::THREE), Side::Right, ['done' => 3, 'positive' => 2], false,
        ];
    }

    public function test_the_note_says_from_the_third_on_that_they_speak_together(): void
    {
        $says = static fn (string $findings): string => implode(' ', array_map(
            static fn (Sentence $one): string => $one->text, self::said($findings),
        ));

        self::assertStringContainsString(
            'Of 4 tests of the right sacro-iliac joint 3 answer: 3 or more speak for that joint.', $says(self::THREE),
        );
        self::assertStringNotContainsString(
            'speak for that joint', $says(str_replace('spread right positive', 'spread right negative', self::THREE)),
        );
    }

    /** @return list<Sentence> */
    private static function said(string $findings): array
    {
        $clinic = Core::clinic();
        $case = SpokenFindings::make($findings)->make();

        return (new FindingsWriter($clinic->atlas(), new Terms($clinic->atlas())))->of($case, [], $clinic->rank($case));
    }
}
