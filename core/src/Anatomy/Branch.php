<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/**
 * A question a manoeuvre may end in, answered by one touch.
 *
 * @phpstan-type Answer array{do: string, text: string}
 */
final readonly class Branch
{
    /**
     * @param  Answer  $yes
     * @param  Answer  $no
     */
    private function __construct(public string $id, public string $ask, public array $yes, public array $no)
    {
    }

    public static function from(Fields $row): self
    {
        $answer = static fn (Fields $one): array => ['do' => $one->string('do'), 'text' => $one->string('text')];

        return new self($row->string('id'), $row->string('ask'), $answer($row->fields('yes')), $answer($row->fields('no')));
    }

    /** @return array{id: string, ask: string, yes: Answer, no: Answer} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'ask' => $this->ask, 'yes' => $this->yes, 'no' => $this->no];
    }
}
