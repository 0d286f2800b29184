import { readStockCsv } from '#formats/stock';
import { useTakeStockInMutation } from '../../app/api';
import { FileIn } from '../../ui/FileIn';

/** A table of things in. */
export function StockFile() {
  const [takeIn, { error }] = useTakeStockInMutation();
  const take = async (file: File) => {
    const { data } = await takeIn({ body: readStockCsv(await file.text()) });
    return data && `${data.added} taken in.`;
  };
  return <FileIn label="Stock as a file" accept=".csv,.txt" take={take} error={error} />;
}
