<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;

/** Parts of our JSON Schemas as TypeScript types. Ids of the atlas come by their own names from the ids. */
final class SchemaTypes
{
    public const CASE = 'case';

    public const ENTRIES = 'entries';

    public const EVENTS = 'events';

    /** Keys, or definitions, whose values are ids of the atlas. */
    private const IDS = [
        'zone' => 'ZoneId', 'muscle' => 'MuscleId', 'movement' => 'MovementId', 'side' => 'Side', 'test' => 'TestId',
        'sign' => 'PostureSignId', 'condition' => 'ConditionId', 'medicine' => 'MedicineId',
        'demand' => 'DemandId', 'situation' => 'SituationId',
        'technique' => 'TechniqueId', 'added' => 'TechniqueId', 'tool' => 'ToolId', 'position' => 'PositionId',
        'positions_possible' => 'PositionId', 'area' => 'ConsentAreaId', 'worrying' => 'RedFlagId',
    ];

    /** Where the language has a thing of that name already. */
    private const NAMES = ['function' => 'TaskScore'];

    /** @var array<string, true> */
    private array $imported = [];

    /** @var array<string, string> */
    private array $named = [];

    /** The one that is read now: its references lead within it. */
    private string $file = self::CASE;

    /** @param  array<string, array<array-key, mixed>>  $schemas by name */
    private function __construct(private readonly array $schemas)
    {
    }

    public static function in(string $folder): self
    {
        $read = static fn (string $file): array => (array) json_decode(
            (string) file_get_contents("$folder/$file"), true, flags: JSON_THROW_ON_ERROR,
        );

        return new self([
            self::CASE => $read('case.schema.json'), self::ENTRIES => $read('entries.schema.json'),
            self::EVENTS => $read('events.schema.json'),
        ]);
    }

    /** The type of what stands at a pointer; `{name}` in it means any of the keys there. */
    public function at(string $file, string $pointer, int $depth): string
    {
        $this->file = $file;
        $node = $this->schemas[$file];
        foreach (array_slice(explode('/', $pointer), 1) as $step) {
            $node = $step === '{name}'
                ? ['anyOf' => array_values($node)]
                : (array) ($node[$step] ?? throw new \LogicException("the schema has nothing at $pointer"));
        }

        return $this->type($node, basename($pointer) === 'items' ? '' : basename($pointer), $depth);
    }

    /** The definitions that were used, each as a type of its own. */
    public function named(): string
    {
        ksort($this->named);

        return implode(
            '',
            array_map(
                static fn (string $name, string $type): string => str_starts_with($type, '{')
                    ? "export interface $name $type\n"
                    : "export type $name = $type\n",
                array_keys($this->named), $this->named,
            ),
        )."\n";
    }

    public function imports(): string
    {
        $names = array_keys($this->imported);
        sort($names);

        return implode(', ', $names);
    }

    /** @param  array<array-key, mixed>  $node */
    private function type(array $node, string $key, int $depth): string
    {
        return match (true) {
            is_string($node['x-of'] ?? null) => $this->id(self::IDS[$node['x-of']]).($this->isNullable($node) ? ' | null' : ''),
            is_string($node['$ref'] ?? null) => $this->reference(basename($node['$ref'])),
            array_key_exists('const', $node) => json_encode($node['const'], JSON_THROW_ON_ERROR),
            is_array($node['enum'] ?? null) => $this->choices($node['enum'], $key),
            is_array($node['anyOf'] ?? null)
                => implode(
                    ' | ', array_unique(array_map(fn (mixed $one): string => $this->type((array) $one, $key, $depth), $node['anyOf'])),
                ),
            default => $this->plain($node, $key, $depth),
        };
    }

    /** @param  array<array-key, mixed>  $node */
    private function plain(array $node, string $key, int $depth): string
    {
        $types = array_values(array_diff((array) ($node['type'] ?? []), ['null']));
        $plain = match (count($types) === 1 ? $types[0] : null) {
            'string' => 'string', 'boolean' => 'boolean', 'number', 'integer' => 'number',
            'array' => $this->many((array) ($node['items'] ?? []), $key, $depth),
            'object' => $this->fields($node, $depth),
            default => throw new \LogicException('a type that nothing here reads: '.json_encode($node)),
        };

        return $plain.($this->isNullable($node) ? ' | null' : '');
    }

    /** @param  array<array-key, mixed>  $node */
    private function isNullable(array $node): bool
    {
        $node = is_string($node['$ref'] ?? null) ? $this->definition(basename($node['$ref'])) : $node;

        return in_array('null', (array) ($node['type'] ?? []), true) || in_array(null, (array) ($node['enum'] ?? []), true);
    }

    /** @return array<array-key, mixed> */
    private function definition(string $name): array
    {
        return (array) ($this->schemas[$this->file]['$defs'][$name] ?? []);
    }

    /** @param  array<array-key, mixed>  $item */
    private function many(array $item, string $key, int $depth): string
    {
        $type = $this->type($item, $key, $depth);
        $isChoice = str_contains($type, ' | ') && (isset($item['enum']) || isset($item['anyOf']));

        return ($isChoice ? "($type)" : $type).'[]';
    }

    /** @param  array<array-key, mixed>  $node */
    private function fields(array $node, int $depth): string
    {
        if (! isset($node['properties'])) {
            return 'Record<string, '.$this->type((array) ($node['additionalProperties'] ?? []), '', $depth).'>';
        }
        $pad = str_repeat('  ', $depth);
        $text = "{\n";
        foreach ((array) $node['properties'] as $name => $inner) {
            $inner = (array) $inner;
            $said = is_string($inner['description'] ?? null) ? "$pad  /** {$inner['description']} */\n" : '';
            $text .= $said."$pad  $name".(
                in_array($name, (array) ($node['required'] ?? []), true) ? '' : '?'
            ).': '.$this->type($inner, (string) $name, $depth + 1)."\n";
        }

        return "$text$pad}";
    }

    private function reference(string $name): string
    {
        if (isset(self::IDS[$name])) {
            return $this->id(self::IDS[$name]).($this->isNullable($this->definition($name)) ? ' | null' : '');
        }
        $node = $this->definition($name);
        if (array_intersect((array) ($node['type'] ?? []), ['string', 'number', 'integer']) !== []) {
            return $this->type($node, $name, 0);
        }
        $type = self::NAMES[$name] ?? Str::studly($name);
        $this->named[$type] ??= $this->type($node, '', 0);

        return $type;
    }

    /** @param  array<array-key, mixed>  $choices */
    private function choices(array $choices, string $key): string
    {
        return isset(self::IDS[$key])
            ? $this->id(self::IDS[$key])
            : implode(
                ' | ', array_map(static fn (mixed $one): string => is_string($one) ? "'$one'" : (string) json_encode($one), $choices),
            );
    }

    private function id(string $name): string
    {
        $this->imported[$name] = true;

        return $name;
    }
}
