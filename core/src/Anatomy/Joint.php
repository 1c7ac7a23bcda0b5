<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A kind of joint that can be worked on: what makes it a target, what the hands do, what is measured again. */
final readonly class Joint
{
    /**
     * @param  bool  $central  it lies in the middle, and what is found of it is of both sides
     * @param  list<string>  $levels  named by the upper bone; empty where a side says which
     * @param  list<string>  $zones  where the hands lie
     * @param  list<JointStart>  $starts
     * @param  list<JointPain>  $pain
     * @param  list<string>  $around  muscles that it keeps tense, and that keep it stiff
     * @param  list<JointWork>  $works  in order
     * @param  list<array{kind: 'test'|'movement', id: string}>  $again
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $region,
        public bool $central,
        public array $levels,
        public array $zones,
        public array $starts,
        public array $pain,
        public array $around,
        public array $works,
        public array $again,
    ) {
    }

    /** @return list<Side> what lies in the middle is neither left nor right */
    public function sides(): array
    {
        return $this->central ? [Side::Midline] : Side::pair();
    }

    /** @return non-empty-list<string|null> */
    public function places(): array
    {
        return $this->levels === [] ? [null] : $this->levels;
    }

    public function painAt(?string $level): JointPain
    {
        foreach ($this->pain as $pain) {
            if ($pain->isAt($level)) {
                return $pain;
            }
        }

        throw UnknownId::in('level', "$this->id $level");
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('region'), $row->has('central'), $row->strings('levels'),
            $row->strings('zones'),
            $row->map('starts_from', JointStart::from(...)),
            $row->map('pain', JointPain::from(...)), $row->strings('around'), $row->map('manoeuvres', JointWork::from(...)),
            $row->map('again', static fn (Fields $one): array => $one->has('test')
                ? ['kind' => 'test', 'id' => $one->string('test')]
                : ['kind' => 'movement', 'id' => $one->string('movement')]),
        );
    }
}
