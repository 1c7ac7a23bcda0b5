<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A kind of joint that can be worked on: what makes it a target, what the hands do, what is measured again. */
final readonly class Joint
{
    /**
     * @param  list<string>  $levels  named by the upper bone; empty where a side says which
     * @param  list<string>  $zones  where the hands lie
     * @param  list<JointStart>  $starts
     * @param  list<JointWork>  $works  in order
     * @param  list<array{kind: 'test'|'movement', id: string}>  $again
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $region,
        public array $levels,
        public array $zones,
        public array $starts,
        public array $works,
        public array $again,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('region'), $row->strings('levels'), $row->strings('zones'),
            $row->map('starts_from', JointStart::from(...)), $row->map('manoeuvres', JointWork::from(...)),
            $row->map('again', static fn (Fields $one): array => $one->has('test')
                ? ['kind' => 'test', 'id' => $one->string('test')]
                : ['kind' => 'movement', 'id' => $one->string('movement')]),
        );
    }
}
