<?php

declare(strict_types=1);

namespace Somatrace\Core;

use Somatrace\Core\CaseFile\CaseFile;

/**
 * What was said of the last cases: a page asks for one case many times, and planning rests on screening and ranking. A weak map would keep
 * every case for ever, since what is said of a case holds on to it.
 *
 * @template T of object
 */
final class Said
{
    private const CASES = 4;

    /** @var list<array{CaseFile, T}> the latest first */
    private array $said = [];

    /**
     * @param  callable(): T  $make
     * @return T
     */
    public function of(CaseFile $case, callable $make): object
    {
        foreach ($this->said as [$one, $result]) {
            if ($one === $case) {
                return $result;
            }
        }
        $result = $make();
        $this->said = [[$case, $result], ...array_slice($this->said, 0, self::CASES - 1)];

        return $result;
    }
}
