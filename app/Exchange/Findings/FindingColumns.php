<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use Somatrace\Core\Clinic;

/** The parts of all kinds of findings as columns of one table, as the schema declares them. */
final class FindingColumns
{
    /** @var array<string, CellForm>|null */
    private ?array $forms = null;

    public function __construct(private readonly Clinic $clinic)
    {
    }

    /** @return array<string, CellForm> column → how its cells are written, in the order of the schema */
    public function forms(): array
    {
        return $this->forms ??= $this->read();
    }

    /** @return array<string, CellForm> */
    private function read(): array
    {
        $schema = (array) json_decode(
            (string) file_get_contents($this->clinic->schemas().'/case.schema.json'), true, flags: JSON_THROW_ON_ERROR,
        );
        $forms = [];
        foreach ($this->clinic->entries()->kinds as $declared) {
            foreach (
                $declared->findingsKey() === null
                    ? []
                    : (array) data_get($schema, [...explode('/', ltrim($declared->part, '/')), 'properties']) as $name
                    => $part
            ) {
                $form = $this->form($schema, (array) $part);
                if (($forms[$name] ?? $form) !== $form) {
                    throw new \LogicException("\"$name\" is written in two ways, and one column cannot hold both");
                }
                $forms[$name] = $form;
            }
        }

        return $forms;
    }

    /**
     * @param  array<array-key, mixed>  $schema
     * @param  array<array-key, mixed>  $part
     */
    private function form(array $schema, array $part): CellForm
    {
        $part = $this->resolved($schema, $part);
        $item = $this->resolved($schema, (array) ($part['items'] ?? []));

        return match (true) {
            isset($item['anyOf']), isset($item['properties']['movement']) => CellForm::Moves,
            isset($item['properties']['zone']) => CellForm::Places,
            ($item['type'] ?? null) === 'number' => CellForm::Numbers,
            ($part['type'] ?? null) === 'array' => CellForm::Words,
            ($part['type'] ?? null) === 'boolean' => CellForm::Flag,
            in_array($part['type'] ?? null, ['number', 'integer'], true) => CellForm::Number,
            default => CellForm::Word,
        };
    }

    /**
     * @param  array<array-key, mixed>  $schema
     * @param  array<array-key, mixed>  $part
     * @return array<array-key, mixed>
     */
    private function resolved(array $schema, array $part): array
    {
        return isset($part['$ref']) ? (array) data_get($schema, ['$defs', basename((string) $part['$ref'])]) : $part;
    }
}
