<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Safety\Verdict;

final class VerdictTest extends TestCase
{
    #[TestWith(['refer', 2, 5, 2], 'sent on: the sooner')]
    #[TestWith(['refer', 5, 2, 2], 'sent on: the sooner, whichever came first')]
    #[TestWith(['defer', 2, 5, 5], 'put off: the longer')]
    #[TestWith(['defer', 5, 2, 5], 'put off: the longer, whichever came first')]
    #[TestWith(['defer', null, 3, 3], 'nothing said')]
    #[TestWith(['refer', 3, null, 3], 'nothing said second')]
    #[TestWith(['refer', null, null, null], 'nothing said at all')]
    public function test_of_two_waits_the_stricter_counts(string $verdict, ?int $one, ?int $other, ?int $counts): void
    {
        self::assertSame($counts, Verdict::from($verdict)->strictestDays($one, $other));
    }

    public function test_the_stronger_of_two_is_the_same_whichever_comes_first(): void
    {
        foreach (Verdict::cases() as $one) {
            foreach (Verdict::cases() as $other) {
                self::assertSame($one->stronger($other), $other->stronger($one));
                self::assertSame(max($one->strength(), $other->strength()), $one->stronger($other)->strength());
            }
        }
    }
}
