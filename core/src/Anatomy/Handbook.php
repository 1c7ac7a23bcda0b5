<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** What is read about the work rather than computed with: it stays packed until a page, a trainer or a check opens it. */
final readonly class Handbook
{
    /**
     * @param  array<string, Direction>  $directions
     * @param  array<string, Landmark>  $landmarks
     * @param  array<string, Hazard>  $hazards
     * @param  array<string, SelfCare>  $selfCare
     * @param  array<string, string>  $productUses  what each product is for
     * @param  array<string, string>  $demandAsks  what each demand asks of the body
     * @param  array<string, list<string>>  $demandsNear  groups of zones each demand is asked of first
     * @param  array<string, Situation>  $situations
     */
    public function __construct(
        public array $directions,
        public array $landmarks,
        public array $hazards,
        public array $selfCare,
        public array $productUses,
        public array $demandAsks,
        public array $demandsNear,
        public array $situations,
    ) {
    }

    public function direction(string $id): Direction
    {
        return $this->directions[$id] ?? throw UnknownId::in('direction', $id);
    }

    public function landmark(string $id): Landmark
    {
        return $this->landmarks[$id] ?? throw UnknownId::in('landmark', $id);
    }

    public function hazard(string $id): Hazard
    {
        return $this->hazards[$id] ?? throw UnknownId::in('hazard', $id);
    }

    public function situation(string $id): Situation
    {
        return $this->situations[$id] ?? throw UnknownId::in('situation', $id);
    }

    public function selfCareOf(string $id): SelfCare
    {
        return $this->selfCare[$id] ?? throw UnknownId::in('self-care', $id);
    }
}
