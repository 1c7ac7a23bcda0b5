<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/** A kind of thing that a visit records, as the schema declares it. */
final readonly class EntryDeclaration
{
    public const LIST = '[]';

    public const MAP = '{}';

    /**
     * @param  bool  $inCase  declared in the schema of the case file, or beside it
     * @param  string  $part  where in the schema its payload is described; `{name}` stands for the name of the entry
     * @param  list<string>  $path  where in a case it stands: keys, `[]` and `{}`
     * @param  list<string>  $nameKeys  keys of the payload whose values name it within a visit; empty where something else does
     * @param  list<string>|null  $names  the names it may bear where no keys name it; null where any will do
     * @param  bool  $isList  whether what it holds is a list, which an empty one does not say itself
     * @param  bool  $mayRepeat  whether there may be a second of one name, told apart by what follows the name
     * @param  non-empty-list<string>  $phases
     */
    public function __construct(
        public string $kind,
        public bool $inCase,
        public string $part,
        public array $path,
        public array $nameKeys,
        public ?array $names,
        public bool $isList,
        public bool $mayRepeat,
        public array $phases,
        public EntryWriter $writer,
    ) {
    }

    public function partFor(string $name): string
    {
        return str_replace('{name}', $name, $this->part);
    }

    /** @return array<string, mixed> a case in which nothing but this entry stands; empty for what no case holds */
    public function within(string $name, mixed $payload): array
    {
        if (! $this->inCase) {
            return [];
        }
        $inner = $payload;
        foreach (array_reverse($this->path) as $step) {
            $inner = match ($step) {
                self::LIST => [$inner],
                self::MAP => [$name => $inner],
                default => [$step => $inner],
            };
        }

        /** @var array<string, mixed> $inner nothing, or a step's one key */
        return $inner;
    }

    /** The key of its list among the findings; null for what is no finding. */
    public function findingsKey(): ?string
    {
        return $this->path[0] === 'findings' ? $this->path[1] : null;
    }
}
