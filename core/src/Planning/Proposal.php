<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Place;

/** What there is to choose from. */
final readonly class Proposal
{
    /**
     * @param  list<Target>  $targets
     * @param  list<LeftOut>  $leftOut
     * @param  list<Suspect>  $suspects  to be felt first, the most suspected first
     * @param  list<Place>  $soothed  that hurt and are only calmed
     */
    public function __construct(public array $targets, public array $leftOut, public array $suspects, public array $soothed)
    {
    }
}
