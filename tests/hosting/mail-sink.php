<?php

declare(strict_types=1);

// A mail server that carries nothing: what it is given lies in a folder, a file a mail. php mail-sink.php PORT FOLDER
[, $port, $folder] = $argv;
@mkdir($folder, 0755, true);
$server = stream_socket_server("tcp://127.0.0.1:$port") ?: exit(1);
for ($n = 1; $client = stream_socket_accept($server, -1); $n++) {
    fwrite($client, "220 trial\r\n");
    $mail = null;
    while (($line = fgets($client)) !== false) {
        if ($mail !== null) {
            if (rtrim($line) === '.') {
                file_put_contents("$folder/$n", quoted_printable_decode($mail));
                $mail = null;
                fwrite($client, "250 kept\r\n");
            } else {
                $mail .= $line;
            }

            continue;
        }
        $word = strtoupper(substr($line, 0, 4));
        if ($word === 'DATA') {
            $mail = '';
        }
        fwrite($client, match ($word) {
            'DATA' => "354 go on\r\n", 'QUIT' => "221 bye\r\n", 'EHLO', 'HELO' => "250 trial\r\n", default => "250 well\r\n",
        });
        if ($word === 'QUIT') {
            break;
        }
    }
    fclose($client);
}
