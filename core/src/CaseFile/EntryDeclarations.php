<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/**
 * Every kind of entry, declared once, where the schema describes it: `x-entry` its kind, `x-identity` what makes two of them the same,
 * `x-name` what a record names it by where that is less, `x-repeats` that several may share such a name, `x-phase` when in a visit it may
 * stand, `x-write` who may write it, `x-keyed` that each key of the object is an entry of its own.
 */
final readonly class EntryDeclarations
{
    /**
     * @param  array<string, EntryDeclaration>  $kinds
     * @param  array<string, list<string>>  $identities  by the key of the list they stand in
     */
    private function __construct(public array $kinds, public array $identities)
    {
    }

    public static function in(string $folder): self
    {
        $reading = new ReadingDeclarations;
        foreach (['case' => true, 'entries' => false] as $file => $inCase) {
            /** @var array<string, mixed> $schema */
            $schema = json_decode((string) file_get_contents("$folder/$file.schema.json"), true, flags: JSON_THROW_ON_ERROR);
            $reading->read($schema, $inCase);
        }

        return new self($reading->kinds, $reading->identities);
    }

    public function of(string $kind): EntryDeclaration
    {
        return $this->kinds[$kind] ?? throw new \LogicException("no schema declares an entry \"$kind\"");
    }
}
