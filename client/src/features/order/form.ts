import type { Card } from './card';

/** What is typed on the order page. */
export interface Contact {
  name: string;
  mail: string;
  street: string;
  town: string;
  postcode: string;
  country: string;
  telephone: string;
  organisation: string;
  state: string;
}

export interface OrderForm {
  contact: Contact;
  card: Card;
  agreed: boolean;
}

export const empty: OrderForm = {
  contact: {
    name: '',
    mail: '',
    street: '',
    town: '',
    postcode: '',
    country: 'GB',
    telephone: '',
    organisation: '',
    state: '',
  },
  card: { number: '', expires: '', code: '' },
  agreed: false,
};
