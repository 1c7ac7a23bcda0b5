<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CaseAssembler;
use App\Models\Visit;
use Somatrace\Core\Clinic;

/** The list of a visit for regions, length and position that were chosen by hand. */
final readonly class WorklistPage
{
    public function __construct(private CaseAssembler $cases, private Clinic $clinic)
    {
    }

    /**
     * @param  list<string>  $regions
     * @return array<string, mixed>
     */
    public function of(Visit $visit, array $regions, bool $full, ?string $position): array
    {
        return $this->clinic->worklist($this->cases->of($visit), $regions, $full, $position)->toArray();
    }
}
