<?php

declare(strict_types=1);

namespace App\Exchange\Clients;

use App\Cases\ClientDetails;
use App\Exchange\VObjects;
use Sabre\VObject\Component\VCard;
use Sabre\VObject\Splitter\VCard as Splitter;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/**
 * Clients as vCards, version 4.0 (RFC 6350, with PRONOUNS of RFC 9554). What no standard property says stands in properties of our own,
 * each named X-SOMATRACE-…; a contact is a RELATED line with its parts as parameters.
 */
final readonly class ClientsVcard
{
    private const GENDERS = ['female' => 'F', 'male' => 'M', 'other' => 'O', 'unsaid' => 'U'];

    private const PLAIN = ['occupation' => 'TITLE', 'email' => 'EMAIL', 'phone' => 'TEL'];

    private const OWN = [
        'code' => 'X-SOMATRACE-CODE', 'hand' => 'X-SOMATRACE-HAND', 'mass_kg' => 'X-SOMATRACE-MASS-KG', 'skin' => 'X-SOMATRACE-SKIN',
        'stoic' => 'X-SOMATRACE-STOIC', 'guardian_name' => 'X-SOMATRACE-GUARDIAN',
    ];

    /** @param  iterable<array<string, mixed>>  $clients as ClientDetails gives them */
    public function write(iterable $clients): string
    {
        return VObjects::quietly(function () use ($clients): string {
            $text = '';
            foreach ($clients as $client) {
                $text .= $this->card($client)->serialize();
            }

            return $text;
        });
    }

    /**
     * @return list<array<string, mixed>>
     *
     * @throws FaultyDocument
     */
    public function read(string $text): array
    {
        $cards = VObjects::split($text, static fn ($stream): Splitter => new Splitter($stream), 'vCard');
        $clients = [];
        $faults = [];
        foreach ($cards as $index => $card) {
            $client = VObjects::reading(fn (): array => $this->client($card));
            if (is_string($client)) {
                $faults[] = new Fault('card '.($index + 1), $client);

                continue;
            }
            $clients[] = $client;
            array_push($faults, ...ClientDetails::faults($client, 'card '.($index + 1)));
        }

        return $faults === [] ? $clients : throw FaultyDocument::with($faults);
    }

    /** @param  array<string, mixed>  $client */
    private function card(array $client): VCard
    {
        $card = new VCard([
            'VERSION' => '4.0', 'FN' => $client['name'], 'BDAY' => str_replace('-', '', (string) $client['born_on']),
            'GENDER' => self::GENDERS[$client['sex']],
        ]);
        unset($card->UID, $card->PRODID);
        $card->add('PRODID', '-//Somatrace//Clients//EN');
        if ($client['pronoun'] !== 'unsaid') {
            $card->add('PRONOUNS', $client['pronoun']);
        }
        foreach ([...self::PLAIN, ...self::OWN] as $key => $name) {
            if ($client[$key] !== null && $client[$key] !== false) {
                $card->add($name, $client[$key] === true ? 'yes' : (string) $client[$key]);
            }
        }
        if ($client['address'] !== null) {
            // where nobody has taken an address apart, the whole of it is the street
            $card->add('ADR', ['', '', $client['address'], '', '', '', '']);
        }
        foreach ((array) $client['contacts'] as $contact) {
            $card->add(
                'RELATED', $contact['name'],
                array_filter(
                    [
                        'VALUE' => 'text', 'X-KIND' => $contact['kind'], 'X-TEL' => $contact['phone'], 'X-EMAIL' => $contact['email'],
                        'X-NOTE' => $contact['note'],
                    ],
                    static fn (?string $part): bool => $part !== null,
                ),
            );
        }

        return $card;
    }

    /** @return array<string, mixed> */
    private function client(object $card): array
    {
        /** @var VCard $card */
        $told = static function (string $name) use ($card): ?string {
            $property = $card->{$name} ?? null;
            $text = $property === null ? '' : trim((string) $property);

            return $text === '' ? null : $text;
        };
        $born = $told('BDAY');
        $contacts = [];
        foreach ($card->select('RELATED') as $related) {
            $parameter = static fn (string $name): ?string => isset($related[$name]) ? (string) $related[$name] : null;
            $contacts[] = [
                'kind' => $parameter('X-KIND') ?? 'other', 'name' => (string) $related, 'phone' => $parameter('X-TEL'),
                'email' => $parameter('X-EMAIL'), 'note' => $parameter('X-NOTE'),
            ];
        }
        $mass = $told(self::OWN['mass_kg']);

        return [
            'code' => $told(self::OWN['code']), 'name' => $told('FN'), 'pronoun' => $told('PRONOUNS') ?? 'unsaid',
            'born_on' => $born !== null && preg_match('/^\d{8}$/', $born) === 1
                ? substr($born, 0, 4).'-'.substr($born, 4, 2).'-'.substr($born, 6)
                : $born,
            'sex' => array_flip(self::GENDERS)[strtoupper((string) strtok($told('GENDER') ?? 'U', ';'))] ?? $told('GENDER'),
            'hand' => $told(self::OWN['hand']), 'mass_kg' => is_numeric($mass) ? (float) $mass : $mass,
            'skin' => $told(self::OWN['skin']), 'stoic' => ['yes' => true][$told(self::OWN['stoic']) ?? ''] ?? $told(self::OWN['stoic']),
            'guardian_name' => $told(self::OWN['guardian_name']),
            'occupation' => $told('TITLE'), 'email' => $told('EMAIL'), 'phone' => $told('TEL'), 'address' => $this->address($card),
            'contacts' => $contacts,
        ];
    }

    private function address(object $card): ?string
    {
        /** @var VCard $card */
        $parts = isset($card->ADR)
            ? array_filter(
                array_map(static fn (mixed $part): string => trim((string) $part), $card->ADR->getParts()),
                static fn (string $part): bool => $part !== '',
            )
            : [];

        return $parts === [] ? null : implode(', ', $parts);
    }
}
