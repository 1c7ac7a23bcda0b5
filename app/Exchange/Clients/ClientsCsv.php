<?php

declare(strict_types=1);

namespace App\Exchange\Clients;

use App\Cases\ClientDetails;
use App\Exchange\CsvTable;
use App\Models\ClientContact;
use Somatrace\Core\Data\FaultyDocument;

/** Clients as a table, a row each, with up to four contacts in columns of their own. */
final readonly class ClientsCsv
{
    /** @param  iterable<array<string, mixed>>  $clients as ClientDetails gives them */
    public function write(iterable $clients): string
    {
        return CsvTable::write($this->columns(), (function () use ($clients): \Generator {
            foreach ($clients as $client) {
                yield $this->row($client);
            }
        })());
    }

    /**
     * @return list<array<string, mixed>>
     *
     * @throws FaultyDocument
     */
    public function read(string $text): array
    {
        $clients = [];
        $faults = [];
        $rows = CsvTable::read($text, $this->columns(), ['name', 'born_on']);
        foreach ($rows as $number => $row) {
            unset($rows[$number]); // read once: a large file is in memory once
            $clients[] = $client = $this->client($row);
            array_push($faults, ...ClientDetails::faults($client, "row $number"));
        }

        return $faults === [] ? $clients : throw FaultyDocument::with($faults);
    }

    /** @return list<string> */
    private function columns(): array
    {
        $columns = ['code', ...ClientDetails::KEYS];
        for ($number = 1; $number <= ClientDetails::MOST_CONTACTS; $number++) {
            array_push($columns, ...array_map(static fn (string $part): string => "contact{$number}_$part", ClientContact::PARTS));
        }

        return $columns;
    }

    /**
     * @param  array<string, mixed>  $client
     * @return array<string, string>
     */
    private function row(array $client): array
    {
        $text = static fn (mixed $value): string => match (true) {
            is_bool($value) => $value ? 'yes' : '', is_scalar($value) => (string) $value, default => '',
        };
        $row = array_map($text, array_diff_key($client, ['contacts' => true]));
        foreach ((array) $client['contacts'] as $index => $contact) {
            foreach (ClientContact::PARTS as $part) {
                $row['contact'.((int) $index + 1)."_$part"] = $text($contact[$part]);
            }
        }

        return $row;
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, mixed>
     */
    private function client(array $row): array
    {
        $told = static fn (string $name): ?string => ($row[$name] ?? '') === '' ? null : $row[$name];
        $client = ['code' => $told('code')];
        foreach (ClientDetails::KEYS as $key) {
            $client[$key] = $told($key);
        }
        $contacts = [];
        for ($number = 1; $number <= ClientDetails::MOST_CONTACTS; $number++) {
            $contact = array_combine(
                ClientContact::PARTS, array_map(static fn (string $part): ?string => $told("contact{$number}_$part"), ClientContact::PARTS),
            );
            if (array_filter($contact) !== []) {
                $contacts[] = $contact;
            }
        }

        // a table that somebody made by hand leaves out what nobody has asked
        return [
            ...$client, 'pronoun' => $client['pronoun'] ?? 'unsaid', 'sex' => $client['sex'] ?? 'unsaid',
            'mass_kg' => is_numeric($client['mass_kg']) ? (float) $client['mass_kg'] : $client['mass_kg'],
            'stoic' => ['yes' => true, 'no' => false, '1' => true, '0' => false, '' => null][$client['stoic'] ?? ''] ?? $client['stoic'],
            'contacts' => $contacts,
        ];
    }
}
