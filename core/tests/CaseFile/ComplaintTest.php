<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\CaseFile;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Complaint;

final class ComplaintTest extends TestCase
{
    #[TestWith([null, null, true], 'shown, and nobody asked how strong')]
    #[TestWith([0.0, null, false], 'over')]
    #[TestWith([0.0, 0.0, false], 'over, and was all week')]
    #[TestWith([null, 0.0, false], 'none all week, and nobody asked of now')]
    #[TestWith([0.0, 3.0, true], 'quiet now, and not this week')]
    #[TestWith([0.5, null, true], 'a little')]
    #[TestWith([null, 4.0, true], 'this week')]
    #[TestWith([null, 0.5, true], 'a little, this week')]
    #[TestWith([0.0, 0.5, true], 'quiet now, and a little this week')]
    public function test_whether_it_hurts(?float $now, ?float $worst, bool $hurts): void
    {
        self::assertSame($hurts, (new Complaint('neck_back', Side::Left, $now, $worst))->hurts());
    }
}
