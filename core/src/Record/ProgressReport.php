<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** What a course has come to so far, for the client or for whoever sent them. */
final readonly class ProgressReport
{
    /**
     * @param  list<string>  $summary  sentences
     * @param  list<array{name: string, first: string, last: string, from: string, to: string, words: string, verdict: string}>  $changes
     *         measured at least twice; what got worse first. Days in words
     * @param  list<string>  $once  names of what was measured once only, of which nothing can be said
     * @param  list<string>  $goals
     * @param  list<array{name: string, words: string}>  $worked  by muscle, longest first
     * @param  list<string>  $helped  what came after which work, where it is more than chance
     * @param  list<string>  $ahead
     */
    public function __construct(
        public array $summary,
        public array $changes,
        public array $once,
        public array $goals,
        public array $worked,
        public array $helped,
        public array $ahead,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'summary' => $this->summary, 'changes' => $this->changes, 'once' => $this->once, 'goals' => $this->goals,
            'worked' => $this->worked, 'helped' => $this->helped, 'ahead' => $this->ahead,
        ];
    }
}
