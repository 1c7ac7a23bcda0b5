<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

/** The whole pattern told: the sentence, what speaks for and against it, what would confirm it, what is measured again. */
final class WholeChainTest extends TestCase
{
    private const RIGHT = 'looks shoulder_rolled_forward right 2; looks arm_rests_high right 1; '
        .'moves cervical.rotation right 60; moves cervical.rotation left 78';

    /** @param  list<string>  $told  kind and title of the whole chain, or nothing */
    #[DataProvider('cases')]
    public function test_it_is_told_when_enough_signs_agree(string $findings, array $told): void
    {
        $whole = $this->whole($findings);

        self::assertSame($told, $whole === null ? [] : [$whole->kind, $whole->title]);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function cases(): iterable
    {
        $says = static fn (string $busy, string $other, string $jaw = ''): array => [
            'whole', "The $busy side works and shortens in front; the $other gives way behind$jaw.",
        ];
        yield 'three signs' => [self::RIGHT, $says('right', 'left')];
        yield 'in the mirror' => [
            strtr(self::RIGHT, ['right' => 'left', 'left' => 'right']), $says('left', 'right'),
        ];
        yield 'and the jaw' => [self::RIGHT.'; tests jaw_drift left 3', $says('right', 'left', '; the jaw follows to the left')];
        yield 'two signs' => [
            'looks shoulder_rolled_forward right 2; looks arm_rests_high right 1',
            ['whole_open', 'Not enough for a pattern of the whole body: 2 signs more for the right than for the left, and 3 are needed.'],
        ];
        yield 'one sign is not worth a line' => ['looks shoulder_rolled_forward right 2', []];
        yield 'three, of ten that were looked at' => [
            self::RIGHT.'; looks collarbone_short right 0; looks pelvis_high left 0; looks foot_turned_out left 0; '
                .'tests collarbone_to_jaw right 15; tests collarbone_to_jaw left 15; tests leg_length left 0; tests leg_length right 0; '
                .'moves scapula.adduction right 3; moves scapula.adduction left 3; '
                .'moves cervical.side_bend left 42; moves cervical.side_bend right 42',
            [
                'whole_open',
                'Not enough for a pattern of the whole body: 3 signs more for the right than for the left, and much else is level.',
            ],
        ];
        yield 'nothing' => ['hurts neck_back left', []];
    }

    public function test_the_shortest_in_front_come_first_and_the_back_of_the_other_side_behind_them(): void
    {
        $whole = $this->whole(self::RIGHT.'; felt pectoralis_minor right tender 3; hurts interscapular left')
            ?? self::fail('nothing is told');
        $sides = array_map(static fn (MuscleAt $at): Side => $at->side, $whole->muscles);

        self::assertSame('pectoralis_minor:right', $whole->muscles[0]->key());
        self::assertSame([Side::Right, Side::Right, Side::Right, Side::Left, Side::Left, Side::Left], $sides);
        self::assertSame(['interscapular:left'], array_map(static fn ($place): string => $place->key(), $whole->to));
    }

    public function test_what_does_not_fit_what_is_open_and_what_to_measure_again_are_said(): void
    {
        $whole = $this->whole(self::RIGHT.'; looks collarbone_short right 1; looks pelvis_high right 1; days pinch right')
            ?? self::fail('nothing is told');

        self::assertContains('The right hand does the work', $whole->because);
        self::assertSame(['The pelvis stands higher on the right'], $whole->against);
        self::assertContains('side bend of the neck, both ways', $whole->ask);
        self::assertNotContains('turning the head, both ways', $whole->ask);
        self::assertContains('turning the head, both ways', $whole->again);
        self::assertNotContains('what the days ask of each hand', $whole->again, 'the days are no measure of the body');
    }

    private function whole(string $findings): ?Chain
    {
        foreach (Core::clinic()->chains(SpokenFindings::make($findings)->make()) as $chain) {
            if (in_array($chain->kind, ['whole', 'whole_open'], true)) {
                return $chain;
            }
        }

        return null;
    }
}
