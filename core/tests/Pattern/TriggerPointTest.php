<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\Pattern\TriggerPoint;

final class TriggerPointTest extends TestCase
{
    /** @param  list<string>  $texture */
    #[DataProvider('findings')]
    public function test_two_of_three_criteria_make_a_point_and_the_familiar_symptom_makes_it_active(
        int $tenderness,
        array $texture,
        bool $refers,
        Answer $familiar,
        TriggerPoint $point,
    ): void {
        $finding = new PalpationFinding(
            'levator_scapulae', Side::Left, null, $tenderness, 'high', $texture, $refers ? [new Place('neck_back', Side::Left)] : [],
            $familiar,
        );

        self::assertSame($point, TriggerPoint::of([$finding]));
    }

    /** @return iterable<string, array{int, list<string>, bool, Answer, TriggerPoint}> */
    public static function findings(): iterable
    {
        yield 'band and tender, own pain' => [3, ['taut_band'], false, Answer::Yes, TriggerPoint::Active];
        yield 'band and tender, not own pain' => [3, ['taut_band'], false, Answer::No, TriggerPoint::Latent];
        yield 'tender and travelling' => [2, [], true, Answer::Unknown, TriggerPoint::Latent];
        yield 'only tender, own pain' => [4, [], false, Answer::Yes, TriggerPoint::None];
        yield 'band alone' => [0, ['taut_band'], false, Answer::Yes, TriggerPoint::None];
    }

    public function test_what_was_not_felt_is_unknown(): void
    {
        self::assertSame(TriggerPoint::Unknown, TriggerPoint::of([]));
    }
}
