<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/** One walk through a schema from its root, for what it declares of entries. */
final class ReadingDeclarations
{
    /** @var array<string, EntryDeclaration> */
    public array $kinds = [];

    /** @var array<string, list<string>> */
    public array $identities = [];

    /** @var array<string, mixed> */
    private array $schema = [];

    private bool $inCase = true;

    /** @param  array<string, mixed>  $schema */
    public function read(array $schema, bool $inCase): void
    {
        $this->schema = $schema;
        $this->inCase = $inCase;
        if ($inCase) {
            $this->node($schema, '', []);

            return;
        }
        foreach ((array) ($schema['$defs'] ?? []) as $name => $node) {
            $this->node((array) $node, "/\$defs/$name", [(string) $name]);
        }
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @param  list<string>  $path
     */
    private function node(array $node, string $pointer, array $path): void
    {
        $this->declared($node, $pointer, $path);
        if (is_string($node['$ref'] ?? null)) {
            $pointer = substr($node['$ref'], 1);
            $node = (array) (((array) ($this->schema['$defs'] ?? []))[basename($pointer)] ?? []);
            $this->declared($node, $pointer, $path);
        }
        foreach ((array) ($node['properties'] ?? []) as $key => $inner) {
            $this->node((array) $inner, "$pointer/properties/$key", [...$path, (string) $key]);
        }
        if (is_array($node['items'] ?? null)) {
            $this->node($node['items'], "$pointer/items", [...$path, EntryDeclaration::LIST]);
        }
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @param  list<string>  $path
     */
    private function declared(array $node, string $pointer, array $path): void
    {
        $identity = self::words($node, 'x-identity');
        if ($identity !== [] && end($path) === EntryDeclaration::LIST) {
            $this->identities[$path[count($path) - 2]] = $identity;
        }
        $kind = $node['x-entry'] ?? null;
        // findings stand in the case and in each earlier visit: the shorter way is that of today
        if (! is_string($kind) || count($this->kinds[$kind]->path ?? $path) < count($path)) {
            return;
        }
        $keyed = ($node['x-keyed'] ?? false) === true;
        $inner = isset($node['additionalProperties']) && is_array($node['additionalProperties'])
            ? '/additionalProperties'
            : '/properties/{name}';
        $name = isset($node['x-name']) ? self::words($node, 'x-name') : $identity;
        $this->kinds[$kind] = new EntryDeclaration(
            $kind, $this->inCase, $pointer.($keyed ? $inner : ''), $keyed ? [...$path, EntryDeclaration::MAP] : $path,
            $name, $keyed ? self::keys($node) : ($name === [] && end($path) !== EntryDeclaration::LIST ? [''] : null),
            ($node['type'] ?? null) === 'array', ($node['x-repeats'] ?? false) === true,
            $this->phases($node, $kind), EntryWriter::from(is_string($node['x-write'] ?? null) ? $node['x-write'] : 'recorder'),
        );
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @return non-empty-list<string>
     */
    private function phases(array $node, string $kind): array
    {
        $phases = self::words($node, 'x-phase');

        return $phases === [] ? throw new \LogicException("the schema does not say when in a visit \"$kind\" stands") : $phases;
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @return list<string> what its keys may be called
     */
    private static function keys(array $node): array
    {
        return isset($node['propertyNames'])
            ? self::words((array) $node['propertyNames'], 'enum')
            : array_map(strval(...), array_keys((array) ($node['properties'] ?? [])));
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @return list<string>
     */
    private static function words(array $node, string $key): array
    {
        return array_values(array_filter((array) ($node[$key] ?? []), is_string(...)));
    }
}
