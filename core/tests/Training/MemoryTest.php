<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Training;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Training\Memory;

final class MemoryTest extends TestCase
{
    public function test_what_is_known_is_asked_at_growing_intervals(): void
    {
        $memory = null;
        $today = new \DateTimeImmutable('2026-03-02');
        $gaps = [];
        for ($n = 0; $n < 8; $n++) {
            $memory = Memory::after($memory, true, $today);
            $gaps[] = $today->diff($memory->due)->days;
            $today = $memory->due;
        }

        self::assertSame([1, 3, 7, 16, 35, 80, 80, 80], $gaps);
        self::assertTrue($memory->isKnown());
    }

    public function test_what_was_missed_is_due_today_and_begins_again(): void
    {
        $today = new \DateTimeImmutable('2026-03-02');
        $memory = Memory::after(new Memory(4, $today), false, $today);

        self::assertSame(0, $memory->streak);
        self::assertTrue($memory->isDue($today));
        self::assertFalse($memory->isKnown());
        self::assertSame('2026-03-03', Memory::after($memory, true, $today)->due->format('Y-m-d'));
    }

    public function test_a_right_answer_ahead_of_its_day_earns_nothing_but_a_wrong_one_counts(): void
    {
        $today = new \DateTimeImmutable('2026-03-02');
        $before = new Memory(2, $today->modify('+2 days'));

        self::assertSame($before, Memory::after($before, true, $today));
        self::assertSame(0, Memory::after($before, false, $today)->streak);
    }
}
