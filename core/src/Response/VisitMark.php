<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\PastVisit;

/** What is read beside the measures of a past visit: how it was borne, what was done at home, how much of each muscle. Unasked is null. */
final readonly class VisitMark
{
    /** @param  array<string, float>  $doses  kPa·s by muscle and side; a muscle whose dose is not known is not in it */
    private function __construct(
        public string $date, public ?float $soreHours, public ?bool $worse, public ?float $homeCare, public array $doses,
    ) {
    }

    public static function of(PastVisit $visit): self
    {
        $answer = Answered::of($visit);
        $done = array_filter(array_map(static fn (Aftermath $one): ?float => $one->homeCareDone, $visit->aftermath), is_float(...));
        $doses = [];
        foreach ($visit->done as $one) {
            if ($one->doseKpaS !== null) {
                $doses[$one->at()->key()] = ($doses[$one->at()->key()] ?? 0.0) + $one->doseKpaS;
            }
        }
        ksort($doses);

        return new self($visit->date->format('Y-m-d'), $answer->soreHours, $answer->worse, $done === [] ? null : max($done), $doses);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'date' => $this->date, 'sore_hours' => $this->soreHours, 'worse' => $this->worse, 'home_care' => $this->homeCare,
            'doses' => (object) $this->doses,
        ];
    }
}
