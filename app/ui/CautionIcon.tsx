import InfoOutlined from "@mui/icons-material/InfoOutlined";
import WarningAmber from "@mui/icons-material/WarningAmber";

export interface CautionIconProps {
  readonly plain?: boolean | undefined;
}

const CautionIcon = ({ plain = false }: CautionIconProps) =>
  plain ? <InfoOutlined fontSize="small" /> : <WarningAmber fontSize="small" />;
export default CautionIcon;
