<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** What a sentence was read from: the step of the visit on which it stands, and what it is called there. */
final readonly class Source
{
    /** @param  'ask'|'screen'|'move'|'feel'|'think'|'agree'|'plan'|'work'|'recheck'|'after'  $step */
    public function __construct(public string $step, public string $name)
    {
    }

    /** @return array{step: string, name: string} */
    public function toArray(): array
    {
        return ['step' => $this->step, 'name' => $this->name];
    }
}
