<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Relation;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/**
 * A plan with a name, to be done for another client too: what is worked and how, seen from the side it is applied to. What becomes of it is
 * judged anew each time.
 *
 * @phpstan-type Row array<array-key, mixed>
 */
final readonly class Protocol
{
    public const FORMAT = 'somatrace.protocol';

    public const VERSION = 1;

    /**
     * @param  list<string>  $zones  it is for a complaint in one of them; for any where empty
     * @param  list<string>  $notWith  conditions it is not for
     * @param  int|null  $fromVisit  not before that visit
     * @param  list<string>  $stages  of what was told with its stage; any where empty
     * @param  array<string, string>  $school
     * @param  non-empty-list<Row>  $targets  in order, each with what was set by hand; sides are `same` or `opposite`
     */
    private function __construct(
        public ?string $id,
        public string $name,
        public string $about,
        public array $zones,
        public array $notWith,
        public ?int $fromVisit,
        public array $stages,
        public ?int $minutes,
        public array $school,
        private array $targets,
    ) {
    }

    public static function from(Fields $f): self
    {
        $when = $f->fields('conditions');
        $targets = $f->map('targets', static fn (Fields $row): array => $row->plain());

        return new self(
            $f->stringOrNull('id'), $f->string('name'), $f->string('about'), $when->strings('zones'), $when->strings('not_with'),
            $when->intOrNull('from_visit'), $when->strings('stages'), $f->intOrNull('minutes'), $f->stringMap('school'),
            $targets === [] ? throw new \LogicException('a protocol without a target') : $targets,
        );
    }

    /**
     * What it sets by hand of a client's targets, for a side.
     *
     * @return list<Row> each as `session.targets` of a case writes it
     */
    public function targets(Side $side): array
    {
        $set = [];
        foreach ($this->targets as $number => $plain) {
            $row = Fields::of($plain);
            $own = self::on($side, $row->string('side'));
            [$position, $setup] = [$row->stringOrNull('position'), $row->fieldsOrNull('setup')];
            $set[] = [
                ...$plain, 'side' => $own->value, 'lock' => true, 'order' => $number + 1,
                ...$position === null ? [] : ['position' => self::lying($position, $own)],
                ...$setup === null ? [] : [
                    'setup' => ['id' => $setup->string('id'), 'side' => self::on($own, $setup->string('side'))->value],
                ],
            ];
        }

        return $set;
    }

    /**
     * The rows of a protocol from what was set by hand and what the plan made of it.
     *
     * @param  list<Row>  $chosen  as `session.targets` writes them, in the order of the plan
     * @return list<Row>
     */
    public static function rows(array $chosen, Side $side): array
    {
        return array_map(static function (array $plain) use ($side): array {
            $row = Fields::of($plain);
            $own = Side::from($row->string('side'));
            [$position, $setup] = [$row->stringOrNull('position'), $row->fieldsOrNull('setup')];

            return [
                ...array_diff_key($plain, ['lock' => true, 'order' => true]), 'side' => self::seen($own, $side),
                ...$position === null ? [] : ['position' => match ($position) {
                    $own->upward() => 'side_up', $own->mirrored()->upward() => 'side_down', default => $position,
                }],
                ...$setup === null ? [] : ['setup' => [
                    'id' => $setup->string('id'),
                    'side' => self::seen(Side::from($setup->stringOrNull('side') ?? $own->value), $own),
                ]],
            ];
        }, $chosen);
    }

    private static function on(Side $side, string $relation): Side
    {
        return $side->related(Relation::from($relation));
    }

    private static function seen(Side $one, Side $from): string
    {
        return $one === $from ? Relation::Same->value : Relation::Opposite->value;
    }

    private static function lying(string $position, Side $side): string
    {
        return match ($position) {
            'side_up' => $side->upward(), 'side_down' => $side->mirrored()->upward(), default => $position,
        };
    }

    /** @return array<string, mixed> as a file holds it */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT, 'version' => self::VERSION, ...$this->id === null ? [] : ['id' => $this->id], 'name' => $this->name,
            'about' => $this->about,
            'conditions' => array_filter([
                'zones' => $this->zones, 'not_with' => $this->notWith, 'from_visit' => $this->fromVisit, 'stages' => $this->stages,
            ], static fn (mixed $one): bool => $one !== [] && $one !== null),
            ...$this->minutes === null ? [] : ['minutes' => $this->minutes], ...$this->school === [] ? [] : ['school' => $this->school],
            'targets' => $this->targets,
        ];
    }
}
