<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

/** The way ahead: phases with their gates, when to look at it all again, and what would end it. */
final readonly class CoursePlan
{
    /**
     * @param  list<Phase>  $phases  in their order; one is now
     * @param  \DateTimeImmutable|null  $lookAgain  null before the first visit is over
     * @param  list<string>  $ends
     */
    public function __construct(public array $phases, public ?\DateTimeImmutable $lookAgain, public array $ends)
    {
    }

    public function now(): Phase
    {
        foreach ($this->phases as $phase) {
            if ($phase->state === 'now') {
                return $phase;
            }
        }

        throw new \LogicException('A course is always in one of its phases.');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'phases' => array_map(static fn (Phase $phase): array => $phase->toArray(), $this->phases),
            'look_again' => $this->lookAgain?->format('Y-m-d'), 'ends' => $this->ends,
        ];
    }
}
