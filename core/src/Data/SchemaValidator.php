<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Checks a decoded JSON value against a JSON Schema 2020-12 and words every fault for a person. */
final class SchemaValidator
{
    private ?Validator $validator = null;

    public function __construct(private readonly string $schemaPath)
    {
    }

    /**
     * @param  mixed  $value  decoded with objects as objects
     * @param  string  $part  a pointer into the schema, such as `/$defs/palpation`; empty for the whole
     * @return list<Fault>
     */
    public function faults(mixed $value, string $part = ''): array
    {
        $validator = $this->validator ??= $this->make();
        $result = $validator->validate($value, 'urn:somatrace:schema'.($part === '' ? '' : '#'.$part));
        $error = $result->error();

        return $error === null ? [] : $this->leaves($error);
    }

    private function make(): Validator
    {
        $validator = new Validator(max_errors: 500, stop_at_first_error: false);
        $schema = json_decode((string) file_get_contents($this->schemaPath));
        if (! $schema instanceof \stdClass) {
            throw FaultyDocument::whole(basename($this->schemaPath).' is no schema');
        }
        $schema->{'$id'} = 'urn:somatrace:schema';
        $validator->resolver()?->registerRaw($schema);

        return $validator;
    }

    /** @return list<Fault> */
    private function leaves(ValidationError $error): array
    {
        if ($error->keyword() === 'additionalProperties') {
            return $this->unknownKeys($error);
        }
        if ($error->keyword() === 'propertyNames') {
            return $this->unknownNames($error);
        }
        // an anyOf that fails says more by naming the choice than by listing every branch
        if ($error->subErrors() === [] || $error->keyword() === 'anyOf') {
            return [new Fault($this->pointer($error->data()->fullPath()), $this->words($error))];
        }
        $faults = [];

        return $this->inner($error);
    }

    /** @return list<Fault> */
    private function inner(ValidationError $error): array
    {
        $faults = [];
        foreach ($error->subErrors() as $inner) {
            if ($inner instanceof ValidationError) {
                array_push($faults, ...$this->leaves($inner));
            }
        }

        return $faults;
    }

    /** @return list<Fault> the unknown key is pointed at itself, not at its parent */
    private function unknownKeys(ValidationError $error): array
    {
        $faults = $this->inner($error);
        $schema = $error->schema()->info()->data();
        if (! is_object($schema) || ($schema->additionalProperties ?? null) !== false) {
            return $faults;
        }
        // opis counts a known key with a bad value as unknown too: only what the schema does not declare is.
        $declared = is_object($schema->properties ?? null) ? get_object_vars($schema->properties) : [];
        foreach ($this->texts($error->args()['properties'] ?? []) as $name) {
            if (! array_key_exists($name, $declared)) {
                $faults[] = new Fault(
                    $this->pointer([...$error->data()->fullPath(), $name]),
                    'unknown key, allowed are '.$this->choices(array_keys($declared)),
                );
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function unknownNames(ValidationError $error): array
    {
        $data = $error->data()->value();
        $schema = $error->schema()->info()->data();
        $names = is_object($schema) ? $schema->propertyNames ?? null : null;
        $allowed = is_object($names) && is_array($names->enum ?? null) ? $names->enum : [];
        $faults = [];
        foreach (array_keys(is_object($data) ? get_object_vars($data) : []) as $name) {
            if (! in_array($name, $allowed, true)) {
                $path = [...$error->data()->fullPath(), (string) $name];
                $faults[] = new Fault($this->pointer($path), 'unknown key, allowed are '.$this->choices($allowed));
            }
        }

        return $faults;
    }

    private function words(ValidationError $error): string
    {
        $args = $error->args();
        $value = $error->data()->value();
        $arg = fn (string $name): string => is_scalar($args[$name] ?? null) ? (string) $args[$name] : '';
        $schema = $error->schema()->info()->data();
        $given = is_scalar($value) ? json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) : get_debug_type($value);

        return match ($error->keyword()) {
            'required' => 'missing '.implode(', ', $this->texts($args['missing'] ?? [])),
            'enum' => "$given is not known, allowed are ".$this->choices(
                is_object($schema) && is_array($schema->enum ?? null) ? $schema->enum : [],
            ),
            'const' => "$given, must be ".json_encode(is_object($schema) ? $schema->const ?? null : null),
            'type' => "$given is no ".implode(' or ', $this->texts($args['expected'] ?? [])),
            'minimum' => "$given is too small, at least ".$arg('min'),
            'exclusiveMinimum' => "$given is too small, more than ".$arg('min'),
            'maximum' => "$given is too large, at most ".$arg('max'),
            'multipleOf' => "$given is between the steps, allowed are multiples of ".$arg('divisor'),
            'pattern' => "$given does not match ".$arg('pattern'),
            'format' => "$given is no ".$arg('format').' (YYYY-MM-DD for a date)',
            'uniqueItems' => 'the same entry stands twice',
            'maxItems' => 'too many entries, at most '.$arg('max'),
            'minItems' => 'too few entries, at least '.$arg('min'),
            'maxLength' => 'too long, at most '.$arg('max').' characters',
            'minLength' => 'too short, at least '.$arg('min').' characters',
            'anyOf' => 'fits none of the allowed forms: a movement with its side, or a demand',
            default => 'is not allowed here ('.$error->keyword().')',
        };
    }

    /** @param  array<mixed>  $choices */
    private function choices(array $choices): string
    {
        $texts = $this->texts($choices);

        return count($texts) > 12 ? implode(', ', array_slice($texts, 0, 12)).' … ('.count($texts).' in all)' : implode(', ', $texts);
    }

    /** @return list<string> */
    private function texts(mixed $values): array
    {
        return array_values(array_map(
            static fn (mixed $value): string => is_scalar($value) ? (string) $value : get_debug_type($value),
            is_array($values) ? $values : [$values],
        ));
    }

    /** @param  array<int|string>  $path */
    private function pointer(array $path): string
    {
        return $path === [] ? '#' : '/'.implode('/', array_map(
            static fn (int|string $part): string => str_replace(['~', '/'], ['~0', '~1'], (string) $part),
            $path,
        ));
    }
}
