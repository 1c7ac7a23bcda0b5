<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

/** What was chosen within the totals, and what they cost. */
final readonly class Fitted
{
    /**
     * @param  list<Target>  $targets  with the compositions the totals left them
     * @param  list<LeftOut>  $leftOut  what the totals left nothing of
     * @param  list<string>  $costly  parts of the hand that would have had to do more than they have left
     */
    public function __construct(public Solution $solution, public array $targets, public array $leftOut, public array $costly)
    {
    }
}
