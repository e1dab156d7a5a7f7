<?php

declare(strict_types=1);

namespace App\Post;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\MessageConverter;

/**
 * Takes letters to the post tray, the stand-in for the outside world's mail; with a mail server of one's own, smtp
 * serves.
 */
final class PostTrayTransport extends AbstractTransport
{
    public function __construct(private readonly Factory $http, private readonly string $url)
    {
        parent::__construct();
    }

    protected function doSend(SentMessage $message): void
    {
        $letter = MessageConverter::toEmail(
            $message->getOriginalMessage() instanceof \Symfony\Component\Mime\Message
            ? $message->getOriginalMessage()
            : throw new TransportException('a letter that is no message'),
        );
        foreach ($message->getEnvelope()->getRecipients() as $to) {
            try {
                $answer = $this->http->acceptJson()->timeout(10)->post("{$this->url}/mail", [
                    'to' => $to->getAddress(),
                    'subject' => (string) $letter->getSubject(),
                    'text' => (string) $letter->getTextBody(),
                ]);
            } catch (ConnectionException $trouble) {
                throw new TransportException('the post tray cannot be reached', previous: $trouble);
            }
            if (! $answer->successful()) {
                throw new TransportException(
                    "the post tray did not take the letter to {$to->getAddress()}: {$answer->status()} "
                        . "{$answer->body()}",
                );
            }
        }
    }

    public function __toString(): string
    {
        return 'post-tray';
    }
}
